/** Whether one must sign in here, and whether one has. */
import * as api from './api/client';

class Session {
  state = $state.raw<api.Session | null>(null);
  problem = $state('');
  /** Until it is known, nothing of the workshop is asked for. */
  isOut = $derived(this.state?.guarded === true && !this.state.signed_in);

  async ask(): Promise<void> {
    await this.#take(api.getSession());
  }

  signIn = (passphrase: string, by: string) => this.#take(api.signIn(passphrase, by));
  useKey = (key: string, by: string) => this.#take(api.useKey(key, by));

  async signOut(everywhere: boolean): Promise<void> {
    if (await this.#take(api.signOut(everywhere))) location.reload();
  }

  /** Another answer said that nobody is signed in any more. */
  ended(): void {
    if (this.state?.signed_in) this.state = { ...this.state, guarded: true, signed_in: false };
  }

  async #take(asked: Promise<api.Session>): Promise<boolean> {
    try {
      [this.state, this.problem] = [await asked, ''];
      return true;
    } catch (error) {
      this.problem = error instanceof api.Problem ? error.message : 'Dunestead does not answer.';
      return false;
    }
  }
}

export const session = new Session();
