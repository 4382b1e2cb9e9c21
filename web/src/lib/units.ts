/** How figures are written. The figures themselves are reckoned elsewhere, in mm, ml, minutes and degrees C. */
import type { Row, Unit } from './api/client';

const MM_PER_INCH = 25.4;
const INCH_PARTS = 32;
const TAPE_PARTS = 16;
const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  '"': MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
};

/** A length as a tape shows it: `15 1/2 in`, `12.3 cm`, `400 mm`. */
export function showLength(mm: number, unit: Unit): string {
  if (unit === 'in') return `${showInches(mm)} in`;
  const value = unit === 'cm' ? mm / 10 : mm;
  const decimals = unit === 'cm' || Math.abs(value) < 100 ? 1 : 0;
  return `${trim(rounded(value, decimals).toFixed(decimals))} ${unit}`;
}

/** A length as it is read off a tape while one works: to the mm, or to a sixteenth of an inch. */
export function showTape(mm: number, unit: Unit): string {
  const step = unit === 'in' ? MM_PER_INCH / TAPE_PARTS : 1;
  return showLength(rounded(mm / step, 0) * step, unit);
}

/** Halves go away from zero, as in the workshop's own sentences; the crumb takes back what binary fractions lose. */
function rounded(value: number, decimals: number): number {
  const parts = Math.floor(Math.abs(value) * 10 ** decimals + 0.5 + 1e-9) / 10 ** decimals;
  return parts ? Math.sign(value) * parts : 0;
}

function showInches(mm: number): string {
  const parts = Math.round((Math.abs(mm) / MM_PER_INCH) * INCH_PARTS);
  const whole = Math.floor(parts / INCH_PARTS);
  let top = parts % INCH_PARTS;
  let bottom = INCH_PARTS;
  while (top && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const sign = mm < 0 && parts ? '-' : '';
  if (!top) return `${sign}${whole}`;
  return `${sign}${whole ? `${whole} ` : ''}${top}/${bottom}`;
}

function trim(text: string): string {
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

/** A length without its unit, for an entry field. */
export function lengthEntry(mm: number, unit: Unit): string {
  if (unit === 'in') return showInches(mm);
  return trim((unit === 'cm' ? mm / 10 : mm).toFixed(2));
}

/** A length as typed, in mm; null when it is none. A bare number is in the maker's unit. */
export function readLength(text: string, unit: Unit): number | null {
  const match =
    /^\s*(-?)\s*(?:(\d+)[\s-]+(?=\d+\/))?(\d+\/\d+|\d+[.,]?|\d*[.,]\d+)\s*(mm|cm|m|in|ft|")?\s*$/.exec(text);
  if (!match) return null;
  const [, sign, whole, number = '', given] = match;
  const [top, bottom] = number.replace(',', '.').split('/').map(Number);
  const value =
    (Number(whole ?? 0) + (bottom === undefined ? (top ?? NaN) : (top ?? NaN) / bottom)) * (sign ? -1 : 1);
  const mm = value * (MM_PER[given ?? unit] ?? NaN);
  return Number.isFinite(mm) ? Math.round(mm * 1e4) / 1e4 : null;
}

/** A number as typed, with a point or a comma; null when it is none. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/** Whether lengths were typed without any unit. */
export const isBare = (text: string): boolean =>
  /\d/.test(text) && !/[a-z"]/i.test(text.replace(/x|by/gi, ''));

/** Two lengths typed at once, such as `30x18` or `60 by 40 cm`, in mm; null when they are not two. */
export function readPair(text: string, unit: Unit): [number, number] | null {
  const parts = text.split(/\s*(?:x|×|\*|\bby\b)\s*/i);
  if (parts.length !== 2) return null;
  // A unit behind the second is meant for both.
  const given = /[a-z"]+\s*$/i.exec(parts[1] ?? '')?.[0] ?? '';
  const first = /[a-z"]\s*$/i.test(parts[0] ?? '') ? (parts[0] ?? '') : `${parts[0]} ${given}`;
  const [across, down] = [readLength(first, unit), readLength(parts[1] ?? '', unit)];
  return across === null || down === null ? null : [across, down];
}

const ML_PER_OUNCE = 29.5735;
const OUNCES_PER_GALLON = 128;

/** Any figure of a station, in the maker's units. */
export function showRow(row: Row, unit: Unit): string {
  if (typeof row.value === 'string') return row.kind === 'moment' ? showMoment(row.value) : row.value;
  switch (row.kind) {
    case 'length':
      return showLength(row.value, unit);
    case 'area':
      return showArea(row.value, unit);
    case 'volume':
      return showVolume(row.value, unit);
    case 'minutes':
      return showMinutes(row.value);
    case 'temperature':
      return showHeat(row.value, unit);
    default:
      return String(row.value);
  }
}

/** A volume, from ml: fluid ounces go with inches, large ones are told in litres or gallons. */
export function showVolume(ml: number, unit: Unit): string {
  if (unit === 'in') {
    const ounces = ml / ML_PER_OUNCE;
    return ounces < OUNCES_PER_GALLON
      ? `${ounces.toFixed(1)} fl oz`
      : `${(ounces / OUNCES_PER_GALLON).toFixed(1)} gal`;
  }
  return ml < 999.5 ? `${ml.toFixed(0)} ml` : `${(ml / 1000).toFixed(1)} l`;
}

/** The least and the most of a volume, as one or as two with one unit. */
export function showBetween(low: number, high: number, unit: Unit): string {
  const [from, to] = [showVolume(low, unit), showVolume(high, unit)];
  if (from === to) return to;
  const [, figure, same] = /^(\S+) (.+)$/.exec(from) ?? [];
  return figure && to.endsWith(` ${same}`) ? `${figure} to ${to}` : `${from} to ${to}`;
}

/** A long way, such as that of a knife: feet go with inches. */
export function showWay(mm: number, unit: Unit): string {
  return unit === 'in' ? `${(mm / MM_PER_INCH / 12).toFixed(1)} ft` : `${(mm / 1000).toFixed(1)} m`;
}

/** An area, from mm². */
export function showArea(mm2: number, unit: Unit): string {
  return unit === 'in' ? `${(mm2 / MM_PER_INCH ** 2).toFixed(1)} sq in` : `${(mm2 / 100).toFixed(1)} cm²`;
}

/** A heat for an entry field: degrees F go with inches. */
export function heatEntry(celsius: number, unit: Unit): number {
  return unit === 'in' ? Math.round(celsius * 1.8 + 32) : Math.round(celsius * 10) / 10;
}

/** A heat as typed, in degrees C. */
export function readHeat(heat: number, unit: Unit): number {
  return unit === 'in' ? Math.round(((heat - 32) / 1.8) * 10) / 10 : heat;
}

/** A heat, from degrees C. */
export function showHeat(celsius: number, unit: Unit): string {
  return `${heatEntry(Math.round(celsius), unit)} ${unit === 'in' ? '°F' : '°C'}`;
}

/** Minutes as people say them. */
export function showMinutes(minutes: number): string {
  if (minutes < 1) return `${Math.round(minutes * 60)} s`;
  if (minutes < 90) return `${Math.round(minutes)} min`;
  return minutes < 72 * 60
    ? `${trim((minutes / 60).toFixed(1))} h`
    : `${trim((minutes / 1440).toFixed(1))} days`;
}

/** The first sentence of a text, and the rest of it. */
export function inTwo(text: string): [string, string] {
  const end = /[.!?] (?=[A-Z0-9])/.exec(text)?.index ?? text.length;
  return [text.slice(0, end + 1), text.slice(end + 2)];
}

/** A moment in the maker's own time. */
export function showMoment(iso: string): string {
  return new Date(iso).toLocaleString(undefined, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
}

/** Bytes as people say them: `640 kB`, `1.2 MB`. */
export function showBytes(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  if (bytes < 1e9) return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
  return `${(bytes / 1e9).toFixed(bytes < 1e10 ? 1 : 0)} GB`;
}

/** The day of a moment, in the browser's manner: `Sun 10 May`. */
export function showDay(iso: string): string {
  return new Date(iso).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' });
}

/** The time of day of a moment, with 12 or 24 hours as the browser has it. */
export function showHour(iso: string): string {
  return new Date(iso).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
}

/** A moment that is near: the time of day alone within half a day, else with its day. */
export function showSoon(iso: string, now = new Date()): string {
  return Date.parse(iso) - now.getTime() < 12 * 3_600_000 ? showHour(iso) : showMoment(iso);
}

/** The day it is where the maker is, as dates are kept: `2026-05-10`. */
export function localDay(now: Date): string {
  const two = (part: number) => String(part).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** A date as people write it where the browser is: `2 May 2026`. */
export function showDate(day: string): string {
  return new Date(`${day}T00:00:00`).toLocaleDateString(undefined, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });
}

/** A due date as a distance from today. */
export function showDue(iso: string, today: Date): string {
  const due = new Date(`${iso}T00:00:00`);
  const start = new Date(today.getFullYear(), today.getMonth(), today.getDate());
  const days = Math.round((due.getTime() - start.getTime()) / 86_400_000);
  if (days === 0) return 'due today';
  if (days < 0) return days === -1 ? '1 day late' : `${-days} days late`;
  return days === 1 ? 'due tomorrow' : `due in ${days} days`;
}

/** A figure with its unit, to three digits at most; heat in the maker's degrees. */
export function showFigure(value: number, unit: string, as: Unit): string {
  if (unit === 'C') return showHeat(value, as);
  return `${value >= 1000 ? value.toFixed(0) : Number(value.toPrecision(3))} ${unit}`;
}
