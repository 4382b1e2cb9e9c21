/** The ten stations in the order of the work: what the picture shows, and what stands beside it. */
import type { Component } from 'svelte';
import type { Catalogue, Job } from '../lib/api/client';
import type { Layers } from '../lib/picture/layers';
import type { OpenJob } from '../job/open-job.svelte';
import Artwork from './Artwork/Artwork.svelte';
import Blank from './Blank/Blank.svelte';
import Cure from './Cure/Cure.svelte';
import Mask from './Mask/Mask.svelte';
import Paint from './Paint/Paint.svelte';
import RecordPanel from './Record/Record.svelte';
import Sheets from './Sheets/Sheets.svelte';
import Tack from './Tack/Tack.svelte';

export interface PanelProps {
  open: OpenJob;
  job: Job;
  catalogue: Catalogue;
  /** The maker's records have changed what there is to choose from. */
  onrecords: () => void;
}

export interface StationView {
  layers: Layers;
  Panel?: Component<PanelProps>;
}

export const STATIONS: Record<string, StationView> = {
  blank: { layers: { print: true, margin: true, collar: true }, Panel: Blank },
  artwork: {
    layers: { print: true, margin: true, overhang: true, collar: true, parts: true, findings: true },
    Panel: Artwork,
  },
  mask: { layers: { mask: true, numbers: 'all', ties: true, weak: 'all' }, Panel: Mask },
  sheets: { layers: { mask: true, patches: true }, Panel: Sheets },
  weed: { layers: { mask: true, numbers: 'kept' } },
  tack: {
    layers: { mask: true, numbers: 'kept', placements: true, pins: true, tape: true, back: true },
    Panel: Tack,
  },
  paint: { layers: { print: true, mask: true, weak: 'tongues' }, Panel: Paint },
  peel: { layers: { print: true, numbers: 'kept' } },
  cure: { layers: { print: true }, Panel: Cure },
  record: { layers: { print: true }, Panel: RecordPanel },
};
