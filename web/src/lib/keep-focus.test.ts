import { afterEach, describe, expect, it } from 'vitest';
import { keepFocus } from './keep-focus';

function page(html: string): HTMLElement {
  document.body.innerHTML = `<div id="root">${html}</div>`;
  return document.getElementById('root') as HTMLElement;
}
const byId = (id: string) => document.getElementById(id) as HTMLElement;
/** Observers are told after the running task. */
const settled = () => new Promise((go) => setTimeout(go));
let end: () => void = () => undefined;
afterEach(() => end());

describe('the focus', () => {
  it('goes to what is nearest when the row that had it is removed', async () => {
    const root = page(
      '<a href="#">far</a><ul><li id="one"><button id="gone">x</button></li><li><button id="next">y</button></li></ul>',
    );
    end = keepFocus(root);
    byId('gone').focus();

    byId('one').remove();
    await settled();

    expect(document.activeElement?.id).toBe('next');
  });

  it('passes what is disabled, and rests on the part itself where nothing in it can be reached', async () => {
    const root = page('<section id="part"><button id="gone">x</button><button disabled>y</button></section>');
    end = keepFocus(root);
    byId('gone').focus();

    byId('gone').remove();
    await settled();

    expect(document.activeElement?.id).toBe('part');
  });

  it('is left alone where the maker has moved on', async () => {
    const root = page('<p id="row"><button id="gone">x</button></p><button id="other">y</button>');
    end = keepFocus(root);
    byId('gone').focus();
    byId('other').focus();

    byId('row').remove();
    await settled();

    expect(document.activeElement?.id).toBe('other');
  });

  it('comes back to a button that was off while its work was done', async () => {
    const root = page('<button id="save">x</button>');
    end = keepFocus(root);
    byId('save').focus();

    byId('save').setAttribute('disabled', '');
    byId('save').blur();
    await settled();
    byId('save').removeAttribute('disabled');
    await settled();

    expect(document.activeElement?.id).toBe('save');
  });
});
