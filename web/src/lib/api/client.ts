/** The workshop's API, typed from its own description; every failure is a problem in a maker's words. */
import createClient, { type MaybeOptionalInit } from 'openapi-fetch';
import { waiting } from '../waiting.svelte';
import type { components, paths } from './generated';

type Schemas = components['schemas'];
export type Job = Schemas['JobOut'];
export type Card = Schemas['BoardOut']['jobs'][number];
export type Catalogue = Schemas['CatalogueOut'];
export type Choice = Catalogue['surfaces'][number];
export type Station = Job['stations'][number];
export type Task = Station['tasks'][number];
/** Whether something is so of all steps of a step's kind. */
export const has = (task: Pick<Task, 'traits'>, trait: Task['traits'][number]): boolean =>
  task.traits.includes(trait);
export type Onward = NonNullable<Station['onward']>;
export type Next = NonNullable<Job['next']>;
export type Clock = Job['clocks'][number];
export type Work = Schemas['WorkOut'];
export type Board = Schemas['BoardOut'];
export type Broken = Board['broken'][number];
export type Mending = Schemas['MendingOut'];
export type Coating = Job['inputs']['coatings'][number];
export type PlannedCoating = Job['coatings'][number];
export type Session = Schemas['SessionOut'];
export type Invitation = Schemas['InvitationOut'];
export type Backups = Schemas['BackupsOut'];
export type Guide = Schemas['HandbookOut'];
export type Room = NonNullable<Job['room']>;
export type MaskRoom = NonNullable<Job['mask']>;
export type MethodFit = MaskRoom['methods'][number];
export type Done = Schemas['DoneIn'];
export type OwnPress = Schemas['PressIn'];
export type MethodChange = Schemas['MethodChangeOut'];
export type CountEntry = Schemas['CountIn'];
export type Weed = Schemas['WeedOut'];
export type WeedRegion = Weed['sheets'][number]['regions'][number];
export type Row = Station['rows'][number];
export type Piece = Job['pieces'][number];
export type Picture = Job['picture'];
export type Mask = Picture['masks'][number];
export type Bridge = Mask['bridges'][number];
export type BridgeMove = Schemas['BridgeMove'];
export type WeakPlace = NonNullable<Job['weak']>[number];
export type MaterialFit = MaskRoom['materials'][number];
export type Reuse = MaskRoom['reuse'];
export type Finding = Job['findings'][number];
export type JobChange = Schemas['JobIn'];
export type BlankEntry = Job['inputs']['blank'];
export type Rail = Job['rail'];
export type Part = Job['elements'][number];
export type PartChange = Schemas['ElementIn'];
export type Repeat = NonNullable<Part['repeat']>;
export type Tracing = NonNullable<Part['trace']>;
export type Look = Schemas['LookOut'];
export type LookChange = Schemas['LookIn'];
export type Arrangement = Schemas['ArrangeIn']['how'];
export type FaceRow = Catalogue['faces'][number];
export type FacePreview = Schemas['FacePreviewOut'];
export type Remedy = Schemas['RemediesOut']['remedies'][number];
export type StoredBlank = Schemas['BlanksOut']['blanks'][number];
export type RecordEntry = Schemas['RecordIn'];
export type Happened = Schemas['HappenedOut'];
export type Year = Schemas['YearOut'];
export type Period = Year['total'];
export type Measure = 'prints' | 'spoiled' | 'hours' | 'paint_ml' | 'earned' | 'spent';
export type Costs = Schemas['CostsOut'];
export type PriceEntry = Schemas['PriceEntry'];
export type RatesEntry = Schemas['Rates'];
export type Learning = Schemas['LearningOut'];
export type Learnt = Learning['figures'][number];
export type LearntChange = Schemas['LearntIn'];
export type Sheets = NonNullable<Job['sheets']>;
export type Sheet = Sheets['sheets'][number];
export type PlacedPatch = Sheet['patches'][number];
export type PatchChoice = Schemas['PatchIn'];
export type Layouts = Schemas['LayoutsOut'];
export type Search = Schemas['SearchOut'];
export type CutRun = Schemas['CutRunsOut']['runs'][number];
export type CutFault = NonNullable<Schemas['CutRunIn']['fault']>;
export type Workshop = Schemas['WorkshopOut'];
export type OwnCutter = Schemas['CutterIn'];
export type TestCut = Schemas['TestCutIn'];
export type Try = NonNullable<TestCut['tries']>[number];
export type Marking = NonNullable<Task['marking']>;
export type MarkKind = Schemas['MarkIn']['what'];
export type PeelRoom = Schemas['PeelOut'];
export type CureRoom = Schemas['CureOut'];
export type CureEvent = CureRoom['events'][number];
export type Hours = Required<Schemas['Hours']>;
export type OwnPaint = Schemas['PaintIn'];
export type Swatch = Schemas['SwatchIn'];
export type KeptSwatch = Workshop['swatches'][number];
export type Clocks = Schemas['ClocksOut'];
export type Readings = Schemas['ReadingsIn'];
export type PaintRoom = Schemas['PaintOut'];
export type PaintFit = PaintRoom['choices'][number];
export type SectionLayer = PaintRoom['section'][number];
export type Forecast = Schemas['ForecastOut'];
export type MixPart = Schemas['MixIn']['mix'][number];
export type Mix = Schemas['MixOut'];
export type Laid = Schemas['LaidOut'];
export type Advice = Schemas['CutAdviceOut'];
export type Fate = NonNullable<Piece['fate']>;
export type Unit = 'mm' | 'cm' | 'in';

/** What went wrong, and what to do about it. */
export class Problem extends Error {
  constructor(
    readonly what: string,
    readonly fix: string,
    readonly code = '',
    /** Another way to the same end, where there is one. */
    readonly instead?: { label: string; act: () => void },
  ) {
    super(`${what} ${fix}`);
  }
}

const client = createClient<paths>({ baseUrl: '/' });

type Way = 'get' | 'post' | 'put' | 'patch' | 'delete';
/** The addresses that are asked in a way. */
type Asked<M extends Way> = {
  [P in keyof paths]: paths[P] extends Record<M, { responses: unknown }> ? P : never;
}[keyof paths];
type Json<T> = { content: { 'application/json': T } };
/** What an address answers when all is well. */
type Answered<P extends keyof paths, M extends Way> =
  paths[P] extends Record<M, { responses: infer R }>
    ? R extends { 200: Json<infer T> } | { 201: Json<infer T> }
      ? T
      : undefined
    : never;
type Init<P extends keyof paths, M extends Way> = M extends keyof paths[P]
  ? MaybeOptionalInit<paths[P], M>
  : never;
type Ask<M extends Way> = <P extends Asked<M>>(
  path: P,
  ...init: undefined extends Init<P, M> ? [Init<P, M>?] : [Init<P, M>]
) => Promise<{ data?: Answered<P, M>; error?: unknown }>;

/** The client with the answers as they are described: its own types make lists of points, which are pairs. */
const api = client as unknown as { [M in Uppercase<Way>]: Ask<Lowercase<M>> };

/** The version of each job as it was shown last: what a change says it was made on. */
const versions = new Map<number, string>();
const jobIn = (address: string) => Number(/\/api\/jobs\/(\d+)/.exec(address)?.[1] ?? NaN);

/** Say which version a change was made on. */
function matching(address: string): Record<string, string> {
  const version = versions.get(jobIn(address));
  return version ? { 'If-Match': version } : {};
}

function remember(address: string, response: Response): void {
  const [id, version] = [jobIn(address), response.headers.get('ETag')];
  // Where a job stands is only looked up; what is shown is what a change is made on.
  if (response.ok && version && id && !/\/(head|mending)\b/.test(address)) {
    versions.set(id, version);
  }
}

/** What a request brings by which it is asked how far it is, and stopped. */
const WAIT_KEY = 'Wait-Key';

client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') {
      for (const [name, value] of Object.entries(matching(request.url))) request.headers.set(name, value);
    }
    request.headers.set(WAIT_KEY, waiting.begin());
    return request;
  },
  onResponse({ request, response }) {
    waiting.end(request.headers.get(WAIT_KEY) ?? '');
    remember(request.url, response);
    return response;
  },
  onError({ request }) {
    waiting.end(request.headers.get(WAIT_KEY) ?? '');
  },
});
const UNREACHABLE = new Problem(
  'The workshop does not answer.',
  'Check that Dunestead is still running; nothing you saved is lost.',
  'unreachable',
);

function toProblem(body: unknown): Problem {
  const { title, fix, code } = (body ?? {}) as { title?: string; fix?: string; code?: string };
  return new Problem(title ?? 'Something went wrong.', fix ?? 'Try again.', code);
}

/** What is done when an answer says that nobody is signed in any more. */
let whenSignedOut: () => void = () => undefined;
export const onSignedOut = (run: () => void) => (whenSignedOut = run);

async function answer<T>(asked: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  let outcome;
  try {
    outcome = await asked;
  } catch {
    throw UNREACHABLE;
  }
  if (outcome.error !== undefined || outcome.data === undefined) {
    const problem = toProblem(outcome.error);
    if (problem.code === 'signed-out') whenSignedOut();
    throw problem;
  }
  return outcome.data;
}

/** Ask for a file, as any request is asked: how far it is is shown, and it can be stopped. */
export async function askForFile(href: string): Promise<Response> {
  const key = waiting.begin();
  let response: Response;
  try {
    response = await fetch(href, { headers: { [WAIT_KEY]: key } });
  } catch {
    throw UNREACHABLE;
  } finally {
    waiting.end(key);
  }
  if (response.ok) return response;
  const problem = toProblem(await response.json().catch(() => undefined));
  if (problem.code === 'signed-out') whenSignedOut();
  throw problem;
}

/** The station that is looked at: answers hold its part of a job, and none of the others. */
let room: Room | undefined;
export const lookInto = (station: Room) => (room = station);

const at = (id: number, unit: Unit, copy = 1) => ({
  params: { path: { job_id: id }, query: { unit, copy, room } },
});

export const getCatalogue = (unit: Unit) =>
  answer(api.GET('/api/catalogue', { params: { query: { unit } } }));
export const getSession = () => answer(api.GET('/api/session'));
export const signIn = (passphrase: string, by: string) =>
  answer(api.POST('/api/session', { body: { passphrase, by } }));
export const useKey = (key: string, by: string) =>
  answer(api.POST('/api/session/key', { body: { key, by } }));
export const signOut = (everywhere: boolean) =>
  answer(api.DELETE('/api/session', { params: { query: { everywhere } } }));
export const invite = () => answer(api.POST('/api/session/invitation'));
export const getBackups = () => answer(api.GET('/api/backups'));
export const makeBackup = () => answer(api.POST('/api/backups'));
export const restoreBackup = (name: string) =>
  answer(api.POST('/api/backups/{name}/restore', { params: { path: { name } } }));
export const getGuide = () => answer(api.GET('/api/guide'));
export const getBoard = (unit: Unit) => answer(api.GET('/api/jobs', { params: { query: { unit } } }));
export const getDrawer = (unit: Unit) => answer(api.GET('/api/jobs/away', { params: { query: { unit } } }));
export const getDeleted = (unit: Unit) =>
  answer(api.GET('/api/jobs/deleted', { params: { query: { unit } } }));
export type Again = Schemas['AgainIn'];
export const makeAgain = (id: number, body: Again) =>
  answer(api.POST('/api/jobs/{job_id}/again', { params: { path: { job_id: id } }, body }));
export const getJob = (id: number, unit: Unit, copy = 1) =>
  answer(api.GET('/api/jobs/{job_id}', at(id, unit, copy)));
export const getWork = (id: number, unit: Unit, copy: number) =>
  answer(api.GET('/api/jobs/{job_id}/work', at(id, unit, copy)));
export const getMending = (id: number) =>
  answer(api.GET('/api/jobs/{job_id}/mending', { params: { path: { job_id: id } } }));
export const mend = (id: number, unit: Unit, key: string, version: number) => {
  versions.set(id, `"v${version}"`);
  return answer(api.POST('/api/jobs/{job_id}/mend', { ...at(id, unit), body: { mend: key } }));
};
export const changeJob = (id: number, unit: Unit, body: JobChange) =>
  answer(api.PATCH('/api/jobs/{job_id}', { ...at(id, unit), body }));
export const setFates = (id: number, unit: Unit, numbers: number[] | null, fate: Fate | null) =>
  answer(api.POST('/api/jobs/{job_id}/fates', { ...at(id, unit), body: { numbers, fate } }));
export const layByTape = (id: number, unit: Unit, copy: number, mask: number, body: Readings) =>
  answer(
    api.POST('/api/jobs/{job_id}/masks/{number}/laid', {
      params: { path: { job_id: id, number: mask }, query: { unit, copy } },
      body,
    }),
  );
export const tryBridge = (id: number, body: BridgeMove) =>
  answer(api.POST('/api/jobs/{job_id}/bridges/try', { params: { path: { job_id: id } }, body }));
export const setBridge = (id: number, unit: Unit, body: BridgeMove) =>
  answer(api.POST('/api/jobs/{job_id}/bridges', { ...at(id, unit), body }));
export const removeBridge = (id: number, unit: Unit, piece: number, index: number) =>
  answer(api.POST('/api/jobs/{job_id}/bridges/remove', { ...at(id, unit), body: { piece, index } }));
export const resetBridges = (id: number, unit: Unit, numbers: number[]) =>
  answer(api.POST('/api/jobs/{job_id}/bridges/reset', { ...at(id, unit), body: { numbers } }));
export const setDone = (id: number, unit: Unit, copy: number, body: Done) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/done', { ...at(id, unit, copy), body }));
export const setCalls = (
  id: number,
  unit: Unit,
  copy: number,
  task: string,
  numbers: number[],
  present: boolean,
) =>
  answer(
    api.POST('/api/jobs/{job_id}/tasks/call', { ...at(id, unit, copy), body: { task, numbers, present } }),
  );
export const setMethod = (id: number, unit: Unit, key: string) =>
  answer(
    api.POST('/api/jobs/{job_id}/methods/{key}', {
      params: { path: { job_id: id, key }, query: { unit } },
    }),
  );
export const setUsed = (
  id: number,
  unit: Unit,
  copy: number,
  body: { task: string; celsius: number; seconds: number },
) => answer(api.POST('/api/jobs/{job_id}/tasks/used', { ...at(id, unit, copy), body }));
export const seamByTape = (
  id: number,
  unit: Unit,
  copy: number,
  name: string,
  readings: Record<string, number>,
) =>
  answer(
    api.POST('/api/jobs/{job_id}/seams/{name}/laid', {
      params: { path: { job_id: id, name }, query: { unit, copy } },
      body: { readings },
    }),
  );
export const getPaint = (id: number, unit: Unit) => answer(api.GET('/api/jobs/{job_id}/paint', at(id, unit)));
export const getWeather = (id: number, unit: Unit) =>
  answer(api.GET('/api/jobs/{job_id}/weather', at(id, unit)));
export const mixPaint = (mix: MixPart[], ml: number) => answer(api.POST('/api/mix', { body: { mix, ml } }));
export const moveCoating = (id: number, unit: Unit, index: number, by: -1 | 1) =>
  answer(api.POST('/api/jobs/{job_id}/coatings/move', { ...at(id, unit), body: { index, by } }));
export const setBegun = (id: number, unit: Unit, copy: number, task: string) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/begun', { ...at(id, unit, copy), body: { task } }));
export const addMark = (id: number, unit: Unit, copy: number, body: Schemas['MarkIn']) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/mark', { ...at(id, unit, copy), body }));
export const dropMark = (id: number, unit: Unit, copy: number, body: Schemas['MarkedIn']) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/unmark', { ...at(id, unit, copy), body }));
export const setMended = (id: number, unit: Unit, copy: number, body: Schemas['MendedIn']) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/mended', { ...at(id, unit, copy), body }));
export const getPeel = (id: number, unit: Unit) => answer(api.GET('/api/jobs/{job_id}/peel', at(id, unit)));
export const getCure = (id: number, unit: Unit, copy: number) =>
  answer(api.GET('/api/jobs/{job_id}/cure', at(id, unit, copy)));
export const setHours = (body: Hours) => answer(api.PUT('/api/workshop/hours', { body }));
export const getClocks = (unit: Unit) => answer(api.GET('/api/clocks', { params: { query: { unit } } }));
export const setCount = (id: number, unit: Unit, copy: number, body: CountEntry) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/count', { ...at(id, unit, copy), body }));
export const setLifted = (
  id: number,
  unit: Unit,
  copy: number,
  task: string,
  numbers: number[],
  lifted: boolean,
) =>
  answer(
    api.POST('/api/jobs/{job_id}/tasks/lifted', { ...at(id, unit, copy), body: { task, numbers, lifted } }),
  );
export const getWeed = (id: number, unit: Unit) => answer(api.GET('/api/jobs/{job_id}/weed', at(id, unit)));
export const keepRehearsal = (id: number, unit: Unit, seconds: number, slips: number) =>
  answer(api.POST('/api/jobs/{job_id}/weed/rehearsals', { ...at(id, unit), body: { seconds, slips } }));
export const setRecord = (id: number, unit: Unit, body: RecordEntry) =>
  answer(api.PUT('/api/jobs/{job_id}/record', { ...at(id, unit), body }));
export const undo = (id: number, unit: Unit) => answer(api.POST('/api/jobs/{job_id}/undo', at(id, unit)));
/** Undo on a job that could not be shown, from the version it is known to be at. */
export const undoFrom = (id: number, unit: Unit, version: number) => {
  versions.set(id, `"v${version}"`);
  return undo(id, unit);
};
export const redo = (id: number, unit: Unit) => answer(api.POST('/api/jobs/{job_id}/redo', at(id, unit)));

export const addWords = (id: number, unit: Unit, text: string) =>
  answer(api.POST('/api/jobs/{job_id}/words', { ...at(id, unit), body: { text, face: 'archivo-black' } }));
export const addFrame = (id: number, unit: Unit) =>
  answer(api.POST('/api/jobs/{job_id}/frames', { ...at(id, unit), body: { style: 'single' } }));
const part = (id: number, element: number, unit: Unit) => ({
  params: { path: { job_id: id, element }, query: { unit, room } },
});
export const changePart = (id: number, element: number, unit: Unit, body: PartChange) =>
  answer(api.PATCH('/api/jobs/{job_id}/elements/{element}', { ...part(id, element, unit), body }));
export const dropPart = (id: number, element: number, unit: Unit) =>
  answer(api.DELETE('/api/jobs/{job_id}/elements/{element}', part(id, element, unit)));
export const copyPart = (id: number, element: number, unit: Unit) =>
  answer(api.POST('/api/jobs/{job_id}/elements/{element}/copy', part(id, element, unit)));
export const arrange = (id: number, unit: Unit, numbers: number[], how: Arrangement) =>
  answer(api.POST('/api/jobs/{job_id}/arrange', { ...at(id, unit), body: { numbers, how } }));
export const fitDesign = (id: number, unit: Unit) => answer(api.POST('/api/jobs/{job_id}/fit', at(id, unit)));
export const placeDesign = (id: number, unit: Unit) =>
  answer(api.POST('/api/jobs/{job_id}/place', at(id, unit)));
export const lookAt = (id: number, unit: Unit, body: LookChange) =>
  answer(api.POST('/api/jobs/{job_id}/look', { ...at(id, unit), body }));
export const previewFace = (id: number, element: number, face: string, unit: Unit) =>
  answer(
    api.GET('/api/jobs/{job_id}/elements/{element}/faces/{face}', {
      params: { path: { job_id: id, element, face }, query: { unit } },
    }),
  );
export const followBlank = (id: number, unit: Unit, before: { width: number; height: number }) =>
  answer(api.POST('/api/jobs/{job_id}/follow', { ...at(id, unit), body: before }));
export const getRemedies = (id: number, unit: Unit, finding: string) =>
  answer(api.POST('/api/jobs/{job_id}/remedies', { ...at(id, unit), body: { finding } }));
export const applyRemedy = (id: number, unit: Unit, finding: string, remedy: string) =>
  answer(api.POST('/api/jobs/{job_id}/remedies/apply', { ...at(id, unit), body: { finding, remedy } }));
export const choosePatch = (id: number, number: number, unit: Unit, body: PatchChoice) =>
  answer(
    api.POST('/api/jobs/{job_id}/patches/{number}', {
      params: { path: { job_id: id, number }, query: { unit, room } },
      body,
    }),
  );
export const forgetPatches = (id: number, unit: Unit) =>
  answer(api.DELETE('/api/jobs/{job_id}/patches', at(id, unit)));
export const getLayouts = (id: number, unit: Unit) =>
  answer(api.GET('/api/jobs/{job_id}/layouts', { params: { path: { job_id: id }, query: { unit } } }));
export const takeLayout = (id: number, unit: Unit, code: string) =>
  answer(
    api.POST('/api/jobs/{job_id}/layouts/{code}', {
      params: { path: { job_id: id, code }, query: { unit, room } },
    }),
  );
const ofJob = (id: number) => ({ params: { path: { job_id: id } } });
export const beginSearch = (id: number) => answer(api.POST('/api/jobs/{job_id}/search', ofJob(id)));
export const getSearch = (id: number) => answer(api.GET('/api/jobs/{job_id}/search', ofJob(id)));
export const forgetSearch = (id: number) => answer(api.DELETE('/api/jobs/{job_id}/search', ofJob(id)));
export const stopSearch = (id: number) => answer(api.POST('/api/jobs/{job_id}/search/stop', ofJob(id)));
export const getCutter = () => answer(api.GET('/api/cutter'));
export const sendSheet = (id: number, number: number, fault: CutFault | null, anyway: boolean) =>
  answer(
    api.POST('/api/jobs/{job_id}/sheets/{number}/cut', {
      params: { path: { job_id: id, number } },
      body: { fault, anyway },
    }),
  );
export const steerCutter = (number: number, act: 'start' | 'pause' | 'stop') =>
  answer(api.POST('/api/cutter/{number}/{act}', { params: { path: { number, act } } }));
export const clearRun = (number: number) =>
  answer(api.DELETE('/api/cutter/{number}', { params: { path: { number } } }));

export const getHappened = (id: number, unit: Unit) =>
  answer(api.GET('/api/jobs/{job_id}/happened', { params: { path: { job_id: id }, query: { unit } } }));
const inUnit = (unit: Unit) => ({ params: { query: { unit } } });
export const getLearning = (unit: Unit) => answer(api.GET('/api/learning', inUnit(unit)));
export const setLearning = (body: LearntChange, unit: Unit) =>
  answer(api.PUT('/api/learning', { ...inUnit(unit), body }));
export const undoLearning = (unit: Unit) => answer(api.POST('/api/learning/undo', inUnit(unit)));
export const getCosts = (id: number, unit: Unit) =>
  answer(api.GET('/api/jobs/{job_id}/costs', { params: { path: { job_id: id }, query: { unit } } }));
export const setPrice = (id: number, unit: Unit, body: PriceEntry) =>
  answer(api.PUT('/api/jobs/{job_id}/price', { params: { path: { job_id: id }, query: { unit } }, body }));
export const setRates = (body: RatesEntry) => answer(api.PUT('/api/workshop/rates', { body }));
export const undoRates = () => answer(api.POST('/api/workshop/rates/undo'));
export const getYear = (year: number) => answer(api.GET('/api/years/{year}', { params: { path: { year } } }));
export type Stores = Schemas['StoresOut'];
export type Held = Stores['items'][number];
export type Short = Stores['short'][number];
export type Item = Schemas['ItemIn'];
export type StoreKind = Held['kind'];
export type LedgerBook = Schemas['LedgerOut'];
export type JobStores = Schemas['JobStoresOut'];
const ofItem = (number: number, unit: Unit) => ({ params: { path: { number }, query: { unit } } });
export const getStores = (unit: Unit) => answer(api.GET('/api/stores', inUnit(unit)));
export const addItem = (unit: Unit, body: Schemas['ItemNewIn']) =>
  answer(api.POST('/api/stores/items', { ...inUnit(unit), body }));
export const changeItem = (number: number, unit: Unit, body: Item) =>
  answer(api.PUT('/api/stores/items/{number}', { ...ofItem(number, unit), body }));
export const dropItem = (number: number, unit: Unit) =>
  answer(api.DELETE('/api/stores/items/{number}', ofItem(number, unit)));
export const undoItem = (number: number, unit: Unit) =>
  answer(api.POST('/api/stores/items/{number}/undo', ofItem(number, unit)));
export const countItem = (number: number, unit: Unit, amount: number, note: string) =>
  answer(api.POST('/api/stores/items/{number}/count', { ...ofItem(number, unit), body: { amount, note } }));
export const buyItem = (number: number, unit: Unit, amount: number, note: string) =>
  answer(api.POST('/api/stores/items/{number}/buy', { ...ofItem(number, unit), body: { amount, note } }));
export const takeBackEntry = (number: number, unit: Unit) =>
  answer(api.POST('/api/stores/items/{number}/take-back', ofItem(number, unit)));
export const wearOut = (number: number, unit: Unit) =>
  answer(api.POST('/api/stores/items/{number}/worn', ofItem(number, unit)));
export const getLedger = (number: number, unit: Unit) =>
  answer(api.GET('/api/stores/items/{number}/ledger', ofItem(number, unit)));
const storesOf = (id: number, unit: Unit) => ({ params: { path: { job_id: id }, query: { unit } } });
export const getJobStores = (id: number, unit: Unit) =>
  answer(api.GET('/api/jobs/{job_id}/stores', storesOf(id, unit)));
export const keepMask = (id: number, unit: Unit, number: number) =>
  answer(
    api.POST('/api/jobs/{job_id}/masks/{number}/keep', {
      params: { path: { job_id: id, number }, query: { unit } },
    }),
  );
export const keepOffcut = (id: number, unit: Unit, body: Schemas['OffcutIn']) =>
  answer(api.POST('/api/jobs/{job_id}/offcuts', { ...storesOf(id, unit), body }));
export const setDried = (id: number, unit: Unit, copy: number, task: string) =>
  answer(api.POST('/api/jobs/{job_id}/tasks/dried', { ...at(id, unit, copy), body: { task } }));
export type Recipes = Schemas['RecipesOut'];
export type Recipe = Recipes['recipes'][number];
export interface RecipeQuery {
  surface?: string;
  material?: string;
  paint?: string;
}
const asked = (unit: Unit, query: RecipeQuery = {}) => ({ query: { unit, ...query } });
export const getRecipes = (unit: Unit, query: RecipeQuery = {}) =>
  answer(api.GET('/api/recipes', { params: asked(unit, query) }));
export const makeRecipe = (id: number, unit: Unit, name: string) =>
  answer(
    api.POST('/api/jobs/{job_id}/recipe', {
      params: { path: { job_id: id }, ...asked(unit) },
      body: { name },
    }),
  );
export const useRecipe = (id: number, unit: Unit, number: number) =>
  answer(
    api.POST('/api/jobs/{job_id}/recipe/{number}', {
      params: { path: { job_id: id, number }, query: { unit, room } },
    }),
  );
const ofRecipe = (number: number, unit: Unit, query: RecipeQuery) => ({
  params: { path: { number }, ...asked(unit, query) },
});
export const changeRecipe = (
  number: number,
  unit: Unit,
  query: RecipeQuery,
  body: { name: string; notes: string },
) => answer(api.PUT('/api/recipes/{number}', { ...ofRecipe(number, unit, query), body }));
export const dropRecipe = (number: number, unit: Unit, query: RecipeQuery) =>
  answer(api.DELETE('/api/recipes/{number}', ofRecipe(number, unit, query)));
export const undoRecipe = (number: number, unit: Unit, query: RecipeQuery) =>
  answer(api.POST('/api/recipes/{number}/undo', ofRecipe(number, unit, query)));
export const readRecipes = async (file: File, unit: Unit): Promise<Recipes> => {
  const form = new FormData();
  form.append('file', file);
  const reply = await fetch(`/api/recipes/file?unit=${unit}`, { method: 'POST', body: form });
  const told = (await reply.json()) as Recipes & { detail?: string; fix?: string; code?: string };
  if (!reply.ok) throw new Problem(told.detail ?? 'The file could not be read.', told.fix ?? '', told.code);
  return told;
};
export const getWorkshop = () => answer(api.GET('/api/workshop'));
export const addCutter = (body: OwnCutter) => answer(api.POST('/api/workshop/cutters', { body }));
export const changeCutter = (number: number, body: OwnCutter) =>
  answer(api.PUT('/api/workshop/cutters/{number}', { params: { path: { number } }, body }));
export const addTestCut = (body: TestCut) => answer(api.POST('/api/workshop/test-cuts', { body }));
export const changeTestCut = (number: number, body: TestCut) =>
  answer(api.PUT('/api/workshop/test-cuts/{number}', { params: { path: { number } }, body }));
export type Shelf = 'cutters' | 'test-cuts' | 'presses' | 'paints' | 'swatches';
export const addPress = (body: OwnPress) => answer(api.POST('/api/workshop/presses', { body }));
export const addPaint = (body: OwnPaint) => answer(api.POST('/api/workshop/paints', { body }));
export const changePaint = (number: number, body: OwnPaint) =>
  answer(api.PUT('/api/workshop/paints/{number}', { params: { path: { number } }, body }));
export const addSwatch = (body: Swatch) => answer(api.POST('/api/workshop/swatches', { body }));
export const setSwatchPhoto = async (id: number, photo: File): Promise<Workshop> => {
  const form = new FormData();
  form.append('photo', photo);
  const reply = await fetch(`/api/workshop/swatches/${id}/photo`, { method: 'POST', body: form });
  const told = (await reply.json()) as Workshop & { detail?: string; fix?: string; code?: string };
  if (!reply.ok) throw new Problem(told.detail ?? 'The photo could not be kept.', told.fix ?? '', told.code);
  return told;
};
export const dropSwatchPhoto = (number: number) =>
  answer(api.DELETE('/api/workshop/swatches/{number}/photo', { params: { path: { number } } }));
export const setKit = (kit: { owned: string[]; cutter: string | null; press: string | null }) =>
  answer(api.PUT('/api/workshop/tools', { body: kit }));
export const tryMethod = (id: number, key: string) =>
  answer(api.GET('/api/jobs/{job_id}/methods/{key}', { params: { path: { job_id: id, key } } }));
export const dropRecord = (kind: Shelf, number: number) =>
  answer(api.DELETE('/api/workshop/{kind}/{number}', { params: { path: { kind, number } } }));
export const undoRecord = (kind: Shelf, number: number) =>
  answer(api.POST('/api/workshop/{kind}/{number}/undo', { params: { path: { kind, number } } }));
export const adviseTestCut = (material: string, cutter: string, tries: Try[]) =>
  answer(api.POST('/api/workshop/test-cut', { body: { material, cutter, tries } }));

export const getBlanks = () => answer(api.GET('/api/blanks'));
export const keepBlank = (id: number, name: string) =>
  answer(api.POST('/api/jobs/{job_id}/blank/keep', { params: { path: { job_id: id } }, body: { name } }));
export const dropBlank = (number: number) =>
  answer(api.DELETE('/api/blanks/{number}', { params: { path: { number } } }));
export const takeBlank = (id: number, number: number, unit: Unit) =>
  answer(
    api.POST('/api/jobs/{job_id}/blank/take/{number}', {
      params: { path: { job_id: id, number }, query: { unit, room } },
    }),
  );

async function put(address: string): Promise<void> {
  const response = await fetch(address, { method: 'POST', headers: matching(address) }).catch(() => {
    throw UNREACHABLE;
  });
  if (!response.ok) throw toProblem(await response.json().catch(() => null));
}

export const putAway = (id: number) => put(`/api/jobs/${id}/put-away`);
export const renameJob = async (id: number, name: string): Promise<void> => {
  // The board knows no version of a job: its name is changed as it stands.
  await getJob(id, 'mm');
  await changeJob(id, 'mm', { name });
};
export const openExample = (key: string, unit: Unit) =>
  answer(api.POST('/api/examples/{key}', { params: { path: { key }, query: { unit } } }));
export const getFacesFor = async (text: string): Promise<string[]> =>
  (await answer(api.GET('/api/faces', { params: { query: { text: text.slice(0, 400) } } }))).faces;
export const getExamples = () => answer(api.GET('/api/examples'));
export const deleteJob = (id: number) =>
  answer(api.DELETE('/api/jobs/{job_id}', { params: { path: { job_id: id } } }));
export const eraseJob = (id: number) => put(`/api/jobs/${id}/erase`);
export const bringBack = (id: number) => put(`/api/jobs/${id}/bring-back`);

async function send(address: string, fields: Record<string, string | File>): Promise<Job> {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, value);
  const key = waiting.begin();
  const headers = { ...matching(address), [WAIT_KEY]: key };
  const response = await fetch(address, { method: 'POST', body, headers })
    .catch(() => {
      throw UNREACHABLE;
    })
    .finally(() => waiting.end(key));
  remember(address, response);
  const outcome: unknown = await response.json().catch(() => null);
  if (!response.ok) throw toProblem(outcome);
  return outcome as Job;
}

const asking = (unit: Unit) => `unit=${unit}${room ? `&room=${room}` : ''}`;

/** What a new job starts from: artwork or words, on a surface or on a blank of the library. */
export interface Start {
  artwork?: File;
  /** Whether the drawing goes without what is too fine for the surface, and with its colours joined. */
  plainer?: boolean;
  words?: string;
  surface?: string;
  blank?: number;
  face?: string;
  /** Number of the recipe it is made by. */
  recipe?: number;
  /** Sides of the blank, mm; the surface's usual ones where they are not given. */
  size?: [number, number];
}

/** Begin a job; returns the whole job. */
export function beginJob(start: Start, unit: Unit): Promise<Job> {
  const fields: Record<string, string | File> = {};
  if (start.artwork) fields.artwork = start.artwork;
  if (start.plainer) fields.plainer = 'yes';
  if (start.words) fields.words = start.words;
  if (start.surface) fields.surface = start.surface;
  if (start.blank !== undefined) fields.blank = String(start.blank);
  if (start.face) fields.face = start.face;
  if (start.recipe !== undefined) fields.recipe = String(start.recipe);
  if (start.size) {
    fields.width = `${start.size[0]}mm`;
    fields.height = `${start.size[1]}mm`;
  }
  return send(`/api/jobs?unit=${unit}`, fields);
}

/** Begin a job from a job file, or a zip of it with its artwork. */
export const readJobFile = (file: File, unit: Unit) => send(`/api/jobs/job-file?unit=${unit}`, { file });

export type PhotoOf = 'finished' | 'week' | 'month' | 'year';
export const setJobPhoto = (id: number, unit: Unit, when: PhotoOf, photo: File) =>
  send(`/api/jobs/${id}/photos/${when}?${asking(unit)}`, { photo });
export const dropJobPhoto = (id: number, unit: Unit, when: PhotoOf) =>
  answer(
    api.DELETE('/api/jobs/{job_id}/photos/{when}', {
      params: { path: { job_id: id, when }, query: { unit, room: 'record' } },
    }),
  );

export const addArtwork = (id: number, unit: Unit, artwork: File, plainer = false) =>
  send(`/api/jobs/${id}/artwork?${asking(unit)}`, plainer ? { artwork, plainer: 'yes' } : { artwork });

/** Offer to add a drawing made plainer, where it was more than could be worked out. */
export async function orPlainer<T>(ask: () => Promise<T>, plainer: () => void): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (!(error instanceof Problem) || error.code !== 'too-much') throw error;
    const label = 'Leave out specks, join colours, and try again';
    throw new Problem(error.what, error.fix, error.code, { label, act: plainer });
  }
}
export const setOutline = (id: number, unit: Unit, outline: File) =>
  send(`/api/jobs/${id}/outline?${asking(unit)}`, { outline });
