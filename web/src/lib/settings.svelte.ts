/** What a maker set for this browser: unit and light. */
import type { Unit } from './api/client';

const UNITS: Unit[] = ['mm', 'cm', 'in'];

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

class Settings {
  unit = $state<Unit>(UNITS.find((unit) => unit === kept('dunestead.unit')) ?? 'mm');
  dark = $state(
    kept('dunestead.light')
      ? kept('dunestead.light') === 'dark'
      : matchMedia('(prefers-color-scheme: dark)').matches,
  );

  nextUnit(): void {
    this.setUnit(UNITS[(UNITS.indexOf(this.unit) + 1) % UNITS.length] ?? 'mm');
  }

  setUnit(unit: Unit): void {
    this.unit = unit;
    keep('dunestead.unit', unit);
  }

  switchLight(): void {
    this.dark = !this.dark;
    keep('dunestead.light', this.dark ? 'dark' : 'light');
  }
}

export const settings = new Settings();
