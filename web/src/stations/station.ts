/** What a station brings to the page: what its picture shows, what stands beside it, its keys. */
import type { Component } from 'svelte';
import type { OpenJob } from '../job/open-job.svelte';
import type { Catalogue, Job, Station, Task } from '../lib/api/client';
import type { Layer } from '../lib/picture/layers';
import type { Look } from '../lib/picture/Pane.svelte';
import type { Shortcut } from '../lib/shortcuts';

export interface PanelProps {
  open: OpenJob;
  job: Job;
  catalogue: Catalogue;
  /** The maker's records have changed what there is to choose from. */
  onrecords: () => void;
}

export interface ToolsProps {
  /** Whether the bare print is shown instead of what this station shows. */
  print: boolean;
}

export interface StageProps {
  open: OpenJob;
  job: Job;
  /** How closely the maker looks at it. */
  look: Look;
}

export interface StationView {
  /** What lies on the blank, from below upwards. */
  layers: (open: OpenJob, job: Job) => Layer[];
  /** What must find room beside the blank. */
  room: 'print' | 'mask';
  /** Whether the picture shows the marks of one task at a time. */
  byTask?: boolean;
  /** Whether the blank is shown as it lies before the maker, turned over where it is worked from its back. */
  back?: boolean;
  /** What stands beside the picture, over its tasks and figures. */
  Panel?: Component<PanelProps>;
  /** What the maker keeps of it for next time, under its tasks. */
  Records?: Component<PanelProps>;
  /** What stands on the picture's lower left. */
  Tools?: Component<ToolsProps>;
  /** Shown in the picture's place while it is on. */
  stage?: {
    Stage: Component<StageProps>;
    isOn: () => boolean;
    /** Whether it is higher than wide where the screen is narrow. */
    tall?: boolean;
  };
  keys?: (open: OpenJob) => Shortcut[];
  /** The verdict on what is in the hand, while something is. */
  inHand?: (open: OpenJob) => Pick<Station, 'state' | 'verdict'> | null;
}

/** The task whose marks the picture shows: the chosen one, else the first that is left, else the last. */
export function taskShown(open: OpenJob, job: Job, code: string): Task | null {
  const tasks = job.stations.find((station) => station.code === code)?.tasks ?? [];
  const chosen = tasks.find((task) => task.id === open.shown);
  return chosen ?? tasks.find((task) => !task.done_at) ?? tasks.at(-1) ?? null;
}

/** What may be marked at a station and what is: of the mask that is shown, or of the whole print. */
export function markingOf(job: Job, code: string, mask: number): Task['marking'] {
  const tasks = job.stations.find((station) => station.code === code)?.tasks ?? [];
  return tasks.find((task) => task.marking && (task.mask === null || task.mask === mask))?.marking ?? null;
}

/** Numbers that answered the roll-call that is on at a station, the first that has not come out; null without one. */
export function answered(job: Job, code: string): number[] | null {
  const tasks = job.stations.find((station) => station.code === code)?.tasks ?? [];
  const isOn = ({ call, done_at }: Task) => call?.of === 'keepers' && call.numbers.length > 0 && !done_at;
  const call = tasks.find(isOn)?.call;
  return call ? Object.keys(call.answered).map(Number) : null;
}
