/** The workshop's API, typed from its own description; every failure is a problem in a maker's words. */
import createClient from 'openapi-fetch';
import type { components, paths } from './generated';

type Schemas = components['schemas'];
export type Job = Schemas['JobOut'];
export type Card = Schemas['BoardOut']['jobs'][number];
export type Catalogue = Schemas['CatalogueOut'];
export type Choice = Catalogue['surfaces'][number];
export type Station = Job['stations'][number];
export type Step = Station['steps'][number];
export type Row = Station['rows'][number];
export type Piece = Job['pieces'][number];
export type Picture = Job['picture'];
export type Finding = Job['findings'][number];
export type JobChange = Schemas['JobIn'];
export type RecordEntry = Schemas['RecordIn'];
export type Fate = NonNullable<Piece['fate']>;
export type Call = Schemas['CallsIn']['call'];
export type Unit = 'mm' | 'cm' | 'in';

/** What went wrong, and what to do about it. */
export class Problem extends Error {
  constructor(
    readonly what: string,
    readonly fix: string,
  ) {
    super(`${what} ${fix}`);
  }
}

const api = createClient<paths>({ baseUrl: '/' });
const UNREACHABLE = new Problem(
  'The workshop does not answer.',
  'Check that Dunestead is still running; nothing you saved is lost.',
);

function toProblem(body: unknown): Problem {
  const { title, fix } = (body ?? {}) as { title?: string; fix?: string };
  return new Problem(title ?? 'Something went wrong.', fix ?? 'Try again.');
}

async function answer<T>(asked: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  let outcome;
  try {
    outcome = await asked;
  } catch {
    throw UNREACHABLE;
  }
  if (outcome.error !== undefined || outcome.data === undefined) throw toProblem(outcome.error);
  return outcome.data;
}

/** Answers that hold points come typed as lists; the description says they are pairs. */
const whole = async <T>(asked: Promise<{ data?: unknown; error?: unknown }>) => (await answer(asked)) as T;

const at = (id: number, unit: Unit) => ({ params: { path: { job_id: id }, query: { unit } } });

export const getCatalogue = (unit: Unit) =>
  answer(api.GET('/api/catalogue', { params: { query: { unit } } }));
export const getBoard = (unit: Unit) =>
  whole<{ jobs: Card[] }>(api.GET('/api/jobs', { params: { query: { unit } } }));
export const getJob = (id: number, unit: Unit) => whole<Job>(api.GET('/api/jobs/{job_id}', at(id, unit)));
export const changeJob = (id: number, unit: Unit, body: JobChange) =>
  whole<Job>(api.PATCH('/api/jobs/{job_id}', { ...at(id, unit), body }));
export const setFates = (id: number, unit: Unit, numbers: number[] | null, fate: Fate | null) =>
  whole<Job>(api.POST('/api/jobs/{job_id}/fates', { ...at(id, unit), body: { numbers, fate } }));
export const setTick = (id: number, unit: Unit, code: string, done: boolean) =>
  whole<Job>(api.POST('/api/jobs/{job_id}/ticks', { ...at(id, unit), body: { code, done } }));
export const setCalls = (id: number, unit: Unit, numbers: number[] | null, call: Call, done: boolean) =>
  whole<Job>(api.POST('/api/jobs/{job_id}/calls', { ...at(id, unit), body: { numbers, call, done } }));
export const setRecord = (id: number, unit: Unit, body: RecordEntry) =>
  whole<Job>(api.PUT('/api/jobs/{job_id}/record', { ...at(id, unit), body }));
export const undo = (id: number, unit: Unit) => whole<Job>(api.POST('/api/jobs/{job_id}/undo', at(id, unit)));
export const redo = (id: number, unit: Unit) => whole<Job>(api.POST('/api/jobs/{job_id}/redo', at(id, unit)));

async function put(address: string): Promise<void> {
  const response = await fetch(address, { method: 'POST' }).catch(() => {
    throw UNREACHABLE;
  });
  if (!response.ok) throw toProblem(await response.json().catch(() => null));
}

export const putAway = (id: number) => put(`/api/jobs/${id}/put-away`);
export const bringBack = (id: number) => put(`/api/jobs/${id}/bring-back`);

/** Begin a job from a dropped file; returns the whole job. */
export async function beginJob(file: File, surface: string, unit: Unit): Promise<Job> {
  const body = new FormData();
  body.set('artwork', file);
  body.set('surface', surface);
  const response = await fetch(`/api/jobs?unit=${unit}`, { method: 'POST', body }).catch(() => {
    throw UNREACHABLE;
  });
  const outcome: unknown = await response.json().catch(() => null);
  if (!response.ok) throw toProblem(outcome);
  return outcome as Job;
}
