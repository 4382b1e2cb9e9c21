/** What a maker set for this browser: unit, light, keys, the size of the screen. */
import type { Unit } from './api/client';

export const UNITS: readonly Unit[] = ['mm', 'cm', 'in'];
export const UNIT_NAMES: Record<Unit, string> = { mm: 'Millimetres', cm: 'Centimetres', in: 'Inches' };
/** What browsers take a mm for until the screen is measured. */
const USUAL_PX = 96 / 25.4;
const [LEAST_PX, MOST_PX] = [1.5, 20];
/** Where people measure in inches. */
const INCH_PLACES = ['US', 'LR', 'MM'];

function kept(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

function keep(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // A browser that keeps nothing still works, it only forgets.
  }
}

/** The unit that goes with the browser's language. */
export function usualUnit(language: string): Unit {
  return INCH_PLACES.includes(language.split('-')[1]?.toUpperCase() ?? '') ? 'in' : 'mm';
}

const knownUnit = UNITS.find((unit) => unit === kept('dunestead.unit'));
const knownPx = Number(kept('dunestead.px-per-mm'));

class Settings {
  unit = $state<Unit>(knownUnit ?? usualUnit(navigator.language));
  /** Whether the maker has chosen the unit; until then it is proposed. */
  unitChosen = $state(knownUnit !== undefined);
  dark = $state(
    kept('dunestead.light')
      ? kept('dunestead.light') === 'dark'
      : matchMedia('(prefers-color-scheme: dark)').matches,
  );
  /** Whether single letters are shortcuts. */
  letters = $state(kept('dunestead.letters') !== 'off');
  /** px to a mm of this screen. */
  pxPerMm = $state(knownPx >= LEAST_PX && knownPx <= MOST_PX ? knownPx : USUAL_PX);

  nextUnit(): void {
    this.setUnit(UNITS[(UNITS.indexOf(this.unit) + 1) % UNITS.length] ?? 'mm');
  }

  setUnit(unit: Unit): void {
    this.unit = unit;
    this.unitChosen = true;
    keep('dunestead.unit', unit);
  }

  switchLight(): void {
    this.dark = !this.dark;
    keep('dunestead.light', this.dark ? 'dark' : 'light');
  }

  setLetters(on: boolean): void {
    this.letters = on;
    keep('dunestead.letters', on ? 'on' : 'off');
  }

  setPxPerMm(px: number): void {
    this.pxPerMm = Math.min(Math.max(px, LEAST_PX), MOST_PX);
    keep('dunestead.px-per-mm', String(this.pxPerMm));
  }
}

export const settings = new Settings();
