/** Running timers over all jobs, and the alarm before a moment comes. */
import { getClocks, type Clocks } from './api/client';
import { settings } from './settings.svelte';

const ASK_MS = 20_000;
const SOUND = { hertz: 880, seconds: 0.25, beats: 3 };
type Clock = Clocks['clocks'][number];

/** Something to be told when its moment has come. */
export interface Errand {
  key: string;
  at: number;
  title: string;
}

type Timed = Pick<Clock, 'opens' | 'closes' | 'fits_until'>;

/**
 * What a clock says now: what comes first still fits or no longer does, until it may be done, until it must be, or by
 * how much it is late; minutes.
 */
export function reading(clock: Timed, now: number) {
  const closes = clock.closes ? (Date.parse(clock.closes) - now) / 60_000 : null;
  if (clock.opens === null) {
    if (closes !== null && closes <= 0) return { kind: 'late', minutes: -closes } as const;
    const fits = clock.fits_until === null || Date.parse(clock.fits_until) >= now;
    return { kind: fits ? 'first' : 'unfit', minutes: closes ?? 0 } as const;
  }
  const opens = (Date.parse(clock.opens) - now) / 60_000;
  if (opens > 0) return { kind: 'opens', minutes: opens } as const;
  if (closes === null) return { kind: 'free', minutes: 0 } as const;
  return closes > 0
    ? ({ kind: 'closes', minutes: closes } as const)
    : ({ kind: 'late', minutes: -closes } as const);
}

class AllClocks {
  all = $state.raw<Clock[]>([]);
  now = $state(Date.now());
  /** What the alarm is about, until it is put off. */
  alarm = $state.raw<Clock | null>(null);
  muted = $state(false);
  /** What the maker asked to be told of, and what has come of it. */
  errands = $state.raw<Errand[]>([]);
  come = $state.raw<Errand | null>(null);
  #before = 1;
  #rung = new Set<string>();
  #users = 0;
  #timers: ReturnType<typeof setInterval>[] = [];

  /** Keep asking while somebody looks; returns what ends it. */
  watch(): () => void {
    if (this.#users++ === 0) {
      void this.ask();
      this.#timers = [
        setInterval(() => void this.ask(), ASK_MS),
        setInterval(() => {
          this.now = Date.now();
          this.#ring();
          this.#tell();
        }, 1000),
      ];
    }
    return () => {
      if (--this.#users === 0) this.#timers.forEach(clearInterval);
    };
  }

  async ask(): Promise<void> {
    try {
      const { clocks, alarm_minutes } = await getClocks(settings.unit);
      [this.all, this.#before] = [clocks, alarm_minutes];
    } catch {
      // What was known still runs; the next question may be answered.
    }
  }

  /** Sound once before a moment comes: before it may be done, and before it must be. */
  #ring(): void {
    for (const clock of this.all) {
      const { kind, minutes } = reading(clock, this.now);
      const key = `${clock.job} ${clock.task} ${kind} ${clock.opens} ${clock.closes}`;
      const isSoon = kind === 'unfit' || ((kind === 'opens' || kind === 'closes') && minutes <= this.#before);
      if (!isSoon || this.#rung.has(key)) continue;
      this.#rung.add(key);
      this.alarm = clock;
      if (!this.muted) sound();
    }
  }

  isAsked = (key: string): boolean => this.errands.some((errand) => errand.key === key);

  /** Tell the maker at a moment: in the page, by sound, and by a notice of the browser where it is allowed. */
  tellAt(errand: Errand): void {
    this.errands = [...this.errands.filter(({ key }) => key !== errand.key), errand];
    if (typeof Notification !== 'undefined' && Notification.permission === 'default') {
      void Notification.requestPermission().catch(() => undefined);
    }
  }

  untell(key: string): void {
    this.errands = this.errands.filter((errand) => errand.key !== key);
  }

  #tell(): void {
    for (const errand of this.errands) {
      if (this.now < errand.at) continue;
      this.untell(errand.key);
      this.come = errand;
      if (!this.muted) sound();
      notify(errand.title);
    }
  }

  quiet(): void {
    [this.alarm, this.come] = [null, null];
  }
}

/** A notice of the browser; where none is allowed, the page has told it. */
function notify(title: string): void {
  try {
    if (typeof Notification !== 'undefined' && Notification.permission === 'granted') new Notification(title);
  } catch {
    // Some browsers show notices only from elsewhere.
  }
}

/** A few short notes; a browser that plays none still flashes. */
function sound(): void {
  try {
    const audio = new AudioContext();
    for (let beat = 0; beat < SOUND.beats; beat++) {
      const note = audio.createOscillator();
      note.frequency.value = SOUND.hertz;
      note.connect(audio.destination);
      note.start(audio.currentTime + 2 * beat * SOUND.seconds);
      note.stop(audio.currentTime + (2 * beat + 1) * SOUND.seconds);
    }
  } catch {
    // No sound to be had.
  }
}

export const clocks = new AllClocks();
