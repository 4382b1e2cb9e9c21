/** One job on the screen: what the workshop last said of it, and every change a maker can make. */
import * as api from '../lib/api/client';
import { clocks } from '../lib/clocks.svelte';
import { settings } from '../lib/settings.svelte';

const REST_MS = 350;
/** A change that found nobody is sent again after so long. */
const AGAIN_MS = 2000;

/** The next of some numbers, round and round; the first or last when none is chosen. */
function stepped(numbers: number[], chosen: number | null, by: number): number | null {
  if (!numbers.length) return null;
  const at = chosen === null ? -1 : numbers.indexOf(chosen);
  const next = at < 0 ? (by > 0 ? 0 : numbers.length - 1) : (at + by + numbers.length) % numbers.length;
  return numbers[next] ?? null;
}

/** What to change, said at once or built on how things stand when its turn has come. */
const built = <Of, Entries>(entries: Entries | ((of: Of) => Entries), of: Of): Entries =>
  typeof entries === 'function' ? (entries as (of: Of) => Entries)(of) : entries;

/** A job with the parts of other stations as they were shown last, as long as it still is the same. */
const kept = (job: api.Job, before: api.Job | null): api.Job =>
  !before || before.version !== job.version
    ? job
    : {
        ...job,
        weak: job.weak ?? before.weak,
        mask: job.mask ?? before.mask,
        sheets: job.sheets ?? before.sheets,
      };

export class OpenJob {
  job = $state.raw<api.Job | null>(null);
  problem = $state.raw<api.Problem | null>(null);
  /** The maker's own cutters, material and test cuts. */
  workshop = $state.raw<api.Workshop | null>(null);
  /** Whether something waits to be sent again, for the workshop does not answer. */
  lost = $state(false);
  #letGo: (() => void) | null = null;
  /** How many answers are awaited. */
  busy = $state(0);
  /** Number of the loose piece that is chosen. */
  selected = $state<number | null>(null);
  /** Further loose pieces that are decided with the chosen one. */
  picked = $state.raw<number[]>([]);
  /** Number of the mask that is shown. */
  mask = $state(1);
  /** Number of the copy whose tasks are shown. */
  copy = $state(1);
  /** Id of the task whose marks the picture shows; the next one's when none is chosen. */
  shown = $state<string | null>(null);
  /** A task that is before its time, or whose count is not out: why, until a reason is given or it is let be. */
  early = $state.raw<{ task: string; problem: api.Problem } | null>(null);
  /** What the next point in the picture is marked as. */
  marking = $state.raw<{ task: string; what: api.MarkKind } | null>(null);
  /** A bridge in the hand, as it would stand; or why it cannot. */
  hand = $state.raw<api.Bridge | null>(null);
  refused = $state<string | null>(null);
  /** Number of the part of the design that is chosen. */
  part = $state<number | null>(null);
  /** Further parts that are arranged with the chosen one. */
  others = $state.raw<number[]>([]);
  /** A place on the picture that is pointed at. */
  spot = $state.raw<[number, number] | null>(null);
  /** Key of the finding that is looked at. */
  finding = $state<string | null>(null);
  /** How often the main button asked what helps. */
  help = $state(0);
  /** What a change that is still in the hand would look like. */
  look = $state.raw<api.Look | null>(null);
  #wanted: api.LookChange | null = null;
  #looking = false;
  #dragged: api.BridgeMove | null = null;
  #dragging = false;
  #grip = false;
  #nudged: { id: number; x: number; y: number } | null = null;
  #resting: ReturnType<typeof setTimeout> | undefined;
  #asked = 0;
  /** What the workshop last answered, shown or overtaken: what the next change builds on. */
  #known: api.Job | null = null;
  #turn: Promise<void> = Promise.resolve();

  constructor(readonly id: number) {}

  /** The job with what is in the hand laid over it. */
  seen = $derived.by(() => {
    const { job, look } = this;
    if (!job || !look) return job;
    const { elements, findings, rail } = look;
    return { ...job, elements, findings, rail, picture: { ...job.picture, ...look.picture } };
  });
  chosen = $derived.by(() => {
    const parts = this.seen?.elements ?? [];
    return parts.find((part) => part.id === this.part) ?? (parts.length === 1 ? (parts[0] ?? null) : null);
  });

  load = () => this.#ask(() => api.getJob(this.id, settings.unit, this.copy));
  /** Look into a station: its part of the job is asked for, and comes with every answer from now on. */
  enter = (room: api.Room): Promise<boolean> => {
    api.lookInto(room);
    return this.load();
  };
  change = (entries: api.JobChange | ((job: api.Job) => api.JobChange)) =>
    this.#ask((job) => api.changeJob(this.id, settings.unit, built(entries, job)));
  changeBlank = (entries: (blank: api.BlankEntry) => Partial<api.BlankEntry>) =>
    this.change(({ inputs: { blank } }) => ({ blank: { ...blank, ...entries(blank) } }));
  decide = (numbers: number[] | null, fate: api.Fate | null) =>
    this.#ask(() => api.setFates(this.id, settings.unit, numbers, fate));
  setBridge = (move: api.BridgeMove) => this.#ask(() => api.setBridge(this.id, settings.unit, move));
  removeBridge = (piece: number, index: number) =>
    this.#ask(() => api.removeBridge(this.id, settings.unit, piece, index));
  resetBridges = (numbers: number[]) => this.#ask(() => api.resetBridges(this.id, settings.unit, numbers));
  /** Log a task as done, or not; before its time it asks for a reason. */
  done = async (task: string, done: boolean, reason = '', all_here = false): Promise<void> => {
    this.early = null;
    this.shown = null;
    await this.#ask((job) =>
      this.#worked(job, api.setDone(this.id, settings.unit, this.copy, { task, done, reason, all_here })),
    );
    if (this.problem?.code === 'needs-reason') {
      this.early = { task, problem: this.problem };
      this.problem = null;
    }
  };
  call = (task: string, numbers: number[], present: boolean) =>
    this.#ask((job) =>
      this.#worked(job, api.setCalls(this.id, settings.unit, this.copy, task, numbers, present)),
    );
  /** Make it by a recipe; its design stays. */
  takeRecipe = (number: number) => this.#ask(() => api.useRecipe(this.id, settings.unit, number));
  /** Choose a method, with a mask material that serves it. */
  takeMethod = (key: string) => this.#ask(() => api.setMethod(this.id, settings.unit, key));
  /** Show the marks of one task in the picture, on its own mask. */
  show = (task: api.Task): void => {
    this.shown = task.id;
    if (task.mask) this.mask = task.mask;
  };
  /** The first stroke of a task: its clock starts. */
  begin = (task: string) =>
    this.#ask((job) => this.#worked(job, api.setBegun(this.id, settings.unit, this.copy, task)));
  /** A coat was found dry to the touch just now. */
  dried = (task: string) =>
    this.#ask((job) => this.#worked(job, api.setDried(this.id, settings.unit, this.copy, task)));
  /** Mark a place that wants a second look; it waits for no further point. */
  mark = (task: string, what: api.MarkKind, at: [number, number]) => {
    this.marking = null;
    return this.#ask((job) =>
      this.#worked(job, api.addMark(this.id, settings.unit, this.copy, { task, what, at })),
    );
  };
  unmark = (task: string, number: number) =>
    this.#ask((job) => this.#worked(job, api.dropMark(this.id, settings.unit, this.copy, { task, number })));
  mend = (task: string, number: number, mended: boolean) =>
    this.#ask((job) =>
      this.#worked(job, api.setMended(this.id, settings.unit, this.copy, { task, number, mended })),
    );
  /** Write down how many were counted. */
  count = (task: string, what: string, count: number) =>
    this.#ask((job) =>
      this.#worked(job, api.setCount(this.id, settings.unit, this.copy, { task, what, count })),
    );
  /** Write down how a mask was really pressed: what the plan proposes may follow from it. */
  used = async (task: string, celsius: number, seconds: number): Promise<void> => {
    await this.#ask((job) =>
      this.#worked(job, api.setUsed(this.id, settings.unit, this.copy, { task, celsius, seconds })),
    );
  };
  /** Mark rests of the plate where the mask lifted, or held after all. */
  lift = (task: string, numbers: number[], lifted: boolean) =>
    this.#ask((job) =>
      this.#worked(job, api.setLifted(this.id, settings.unit, this.copy, task, numbers, lifted)),
    );
  /** Show the tasks of another copy. */
  turnTo = (copy: number): Promise<boolean> => {
    this.copy = copy;
    return this.#ask((job) => this.#worked(job, api.getWork(this.id, settings.unit, copy)));
  };
  /** What was done leaves the design as it is: the answer holds the work only. */
  #worked = async (job: api.Job, asked: Promise<api.Work>): Promise<api.Job> => {
    const work = await asked;
    void clocks.ask();
    return { ...job, ...work };
  };
  record = (entry: api.RecordEntry) => this.#ask(() => api.setRecord(this.id, settings.unit, entry));
  photograph = (when: api.PhotoOf, photo: File) =>
    this.#ask(() => api.setJobPhoto(this.id, settings.unit, when, photo));
  dropPhoto = (when: api.PhotoOf) => this.#ask(() => api.dropJobPhoto(this.id, settings.unit, when));
  undo = () => (this.job?.history.undo ? this.#ask(() => api.undo(this.id, settings.unit)) : undefined);
  redo = () => (this.job?.history.redo ? this.#ask(() => api.redo(this.id, settings.unit)) : undefined);

  addWords = (text: string) => this.#add(() => api.addWords(this.id, settings.unit, text));
  addFrame = () => this.#add(() => api.addFrame(this.id, settings.unit));
  addArtwork = (file: File, plainer = false): Promise<void> =>
    this.#add(() =>
      plainer
        ? api.addArtwork(this.id, settings.unit, file, true)
        : api.orPlainer(
            () => api.addArtwork(this.id, settings.unit, file),
            () => void this.addArtwork(file, true),
          ),
    );
  copyPart = (id: number) => this.#add(() => api.copyPart(this.id, id, settings.unit));
  dropPart = (id: number) => this.#ask(() => api.dropPart(this.id, id, settings.unit));
  changePart = (id: number, entries: api.PartChange | ((part: api.Part) => api.PartChange)) =>
    this.#ask((job) => {
      const part = job.elements.find((each) => each.id === id);
      return part
        ? api.changePart(this.id, id, settings.unit, built(entries, part))
        : api.getJob(this.id, settings.unit);
    });
  arrange = (numbers: number[], how: api.Arrangement) =>
    this.#ask(() => api.arrange(this.id, settings.unit, numbers, how));
  fit = () => this.#ask(() => api.fitDesign(this.id, settings.unit));
  place = () => this.#ask(() => api.placeDesign(this.id, settings.unit));
  remedy = (finding: string, remedy: string) =>
    this.#ask(() => api.applyRemedy(this.id, settings.unit, finding, remedy));
  choosePatch = (number: number, say: api.PatchChoice) =>
    this.#ask(() => api.choosePatch(this.id, number, settings.unit, say));
  followBlank = (before: { width: number; height: number }) =>
    this.#ask(() => api.followBlank(this.id, settings.unit, before));
  takeLayout = (code: string) => this.#ask(() => api.takeLayout(this.id, settings.unit, code));
  forgetPatches = () => this.#ask(() => api.forgetPatches(this.id, settings.unit));
  moveCoating = (index: number, by: -1 | 1) =>
    this.#ask(() => api.moveCoating(this.id, settings.unit, index, by));
  takeBlank = (number: number) => this.#ask(() => api.takeBlank(this.id, number, settings.unit));
  setOutline = (file: File) => this.#ask(() => api.setOutline(this.id, settings.unit, file));

  /** Add to the design, and choose what came. */
  async #add(question: () => Promise<api.Job>): Promise<void> {
    const before = this.job?.elements.map((part) => part.id) ?? [];
    await this.#ask(question);
    const fresh = this.job?.elements.find((part) => !before.includes(part.id));
    if (fresh) [this.part, this.others] = [fresh.id, []];
  }

  /**
   * Show what a change would look like, without keeping it. One question is on its way at a time, and
   * only the newest waits: what was asked in between is out of date before it could be answered.
   */
  peek(change: api.LookChange): void {
    this.#wanted = change;
    if (!this.#looking) void this.#lookOn();
  }

  async #lookOn(): Promise<void> {
    this.#looking = true;
    while (this.#wanted) {
      const change = this.#wanted;
      this.#wanted = null;
      const asked = this.#asked;
      try {
        const look = await api.lookAt(this.id, settings.unit, change);
        // Once a change is asked for in earnest, its own answer is what counts.
        if (asked === this.#asked) this.look = look;
      } catch (error) {
        if (error instanceof api.Problem && asked === this.#asked) this.problem = error;
      }
    }
    this.#looking = false;
  }

  /** Say where a bridge that is dragged would stand; only the newest place is asked for. */
  dragBridge(move: api.BridgeMove): void {
    this.#dragged = move;
    if (!this.#dragging) void this.#dragOn();
  }

  async #dragOn(): Promise<void> {
    this.#dragging = true;
    while (this.#dragged) {
      const move = this.#dragged;
      this.#dragged = null;
      try {
        const bridge = await api.tryBridge(this.id, move);
        if (this.#grip) [this.hand, this.refused] = [bridge, null];
      } catch (error) {
        if (this.#grip && error instanceof api.Problem) [this.hand, this.refused] = [null, error.message];
      }
    }
    this.#dragging = false;
  }

  /** Take hold of a bridge, or let it go where it is. */
  grip(held: boolean): void {
    this.#grip = held;
    this.#dragged = null;
    [this.hand, this.refused] = [null, held ? null : this.refused];
  }

  /** Put a dragged bridge down. A place that is refused is told by the answer, and nothing changes. */
  async putBridge(move: api.BridgeMove): Promise<void> {
    this.grip(false);
    this.refused = null;
    await this.setBridge(move);
  }

  /** Move the chosen part a little; a run of presses is kept as one change when the keys rest. */
  nudge(dx: number, dy: number): void {
    const part = this.chosen;
    if (!part || part.kind === 'frame') return;
    const from = this.#nudged?.id === part.id ? this.#nudged : part;
    const entries = { x: from.x + dx, y: from.y + dy };
    this.#nudged = { id: part.id, ...entries };
    this.peek({ element: part.id, entries });
    clearTimeout(this.#resting);
    this.#resting = setTimeout(() => {
      this.#nudged = null;
      void this.changePart(part.id, entries);
    }, REST_MS);
  }

  /** Choose a part; with `more`, take it in with those chosen before, or leave it out again. */
  choose(id: number, more = false): void {
    if (!more || this.part === null || this.part === id) {
      this.part = this.part === id && !more ? null : id;
      this.others = [];
    } else if (this.others.includes(id)) {
      this.others = this.others.filter((other) => other !== id);
    } else {
      this.others = [...this.others, id];
    }
  }

  /** What is arranged: the parts chosen, or all when it is one only. */
  get arranged(): number[] {
    return this.part !== null && this.others.length ? [this.part, ...this.others] : [];
  }

  /** Step to another part of the design, round and round. */
  choosePart(by: number): void {
    const numbers = this.job?.elements.map((part) => part.id) ?? [];
    this.part = stepped(numbers, this.part, by);
    this.others = [];
  }

  /** Do something to the maker's records; all that hangs on them is asked for again. */
  async keepRecord(work: () => Promise<api.Workshop>): Promise<boolean> {
    try {
      await this.settled();
      this.workshop = await work();
    } catch (error) {
      if (error instanceof api.Problem) this.problem = error;
      return false;
    }
    await this.load();
    return true;
  }

  /** Ask for the maker's records, once. */
  async loadWorkshop(): Promise<void> {
    try {
      this.workshop ??= await api.getWorkshop();
    } catch (error) {
      if (error instanceof api.Problem) this.problem = error;
    }
  }

  /** Wait until all that was asked for is answered. */
  settled = (): Promise<void> => this.#turn;

  /** Tick off the next step; where it is a count, it comes out. */
  doNext = () => {
    const task = this.job?.next?.task;
    return task ? this.done(task.id, true, '', !!task.call?.all_here) : undefined;
  };

  /** Step to another loose piece, round and round. */
  selectNext(by: number): void {
    const numbers = this.job?.pieces.map((piece) => piece.number) ?? [];
    const next = stepped(numbers, this.selected, by);
    if (next !== null) this.select(next);
  }

  /** Choose a loose piece, and show the mask it is in. */
  select(number: number): void {
    this.selected = number;
    this.mask = this.job?.pieces.find((piece) => piece.number === number)?.mask ?? this.mask;
  }

  /** Take a piece in among those decided together, or leave it out again. */
  pick(number: number): void {
    this.picked = this.picked.includes(number)
      ? this.picked.filter((other) => other !== number)
      : [...this.picked, number];
  }

  /** The pieces a decision is about: those picked, else the chosen one. */
  get meant(): number[] {
    return this.picked.length ? this.picked : this.selected === null ? [] : [this.selected];
  }

  decideSelected(fate: api.Fate): void {
    if (this.meant.length) void this.decide(this.meant, fate);
  }

  /**
   * Ask the workshop, one question after the other, so that quick fingers never change a job twice at
   * once; an answer that a later question overtook is dropped. Says whether it was kept.
   */
  async #ask(question: (known: api.Job) => Promise<api.Job>): Promise<boolean> {
    const mine = ++this.#asked;
    this.#wanted = null;
    this.busy++;
    const before = this.#turn;
    let done = (): void => undefined;
    this.#turn = new Promise((resolve) => (done = resolve));
    try {
      await before;
      const job = await this.#patient(() => question(this.#known as api.Job));
      this.#known = kept(job, this.#known);
      if (mine !== this.#asked) return true;
      this.job = this.#known;
      if (this.copy > job.copies) this.copy = 1;
      if (!job.picture.masks.some((mask) => mask.number === this.mask)) this.mask = 1;
      this.look = null;
      this.problem = null;
      return true;
    } catch (error) {
      if (mine !== this.#asked) return false;
      this.look = null;
      this.problem =
        error instanceof api.Problem ? error : new api.Problem('Something went wrong.', 'Try again.');
      if (this.problem.code === 'changed-meanwhile') await this.#catchUp();
      return false;
    } finally {
      done();
      this.busy--;
    }
  }

  /** Ask until somebody answers or the maker gives up: what was changed is not lost with the workshop away. */
  async #patient(question: () => Promise<api.Job>): Promise<api.Job> {
    for (;;) {
      try {
        const job = await question();
        this.lost = false;
        return job;
      } catch (error) {
        if (!(error instanceof api.Problem) || error.code !== 'unreachable') throw error;
        this.lost = true;
        const goOn = await new Promise<boolean>((resolve) => {
          const timer = setTimeout(() => resolve(true), AGAIN_MS);
          this.#letGo = () => {
            clearTimeout(timer);
            resolve(false);
          };
        });
        if (!goOn) {
          this.lost = false;
          throw error;
        }
      }
    }
  }

  /** Stop sending what nobody answers. */
  giveUp = (): void => this.#letGo?.();

  /** Show a job as another window left it; what went wrong stays told, and the maker goes on from there. */
  async #catchUp(): Promise<void> {
    try {
      const job = await api.getJob(this.id, settings.unit, this.copy);
      [this.#known, this.job] = [job, job];
    } catch {
      // The problem that is shown already says enough.
    }
  }
}
