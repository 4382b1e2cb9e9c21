/** What a picture is drawn from: a ground, and layers upon it, each a component that knows where things lie. */
import type { Component } from 'svelte';
import type { Mask, Picture, Piece, Unit } from '../api/client';

/** Where things lie on a picture; lengths of the blank in mm from its top left, of the picture in pixels. */
export interface Ground {
  picture: Picture;
  unit: Unit;
  /** Pixels a mm. */
  scale: number;
  /** The mask that is shown. */
  mask: Mask | undefined;
  /** Whether the blank is worked from its back: what is right on it lies left. */
  turned: boolean;
  px: (mm: number) => number;
  /** As `px`, across, turned over as the blank is. */
  ax: (mm: number) => number;
  /** What carries a drawing in mm onto the picture. */
  carry: string;
}

export interface Layer {
  of: Component<{ ground: Ground }>;
  props: object;
}

/** Return a component as a layer, with what it needs beside the ground. */
export const layer = <Props extends { ground: Ground }>(
  of: Component<Props>,
  props: Omit<Props, 'ground'>,
): Layer => ({ of: of as unknown as Layer['of'], props });

/** The pieces of the mask that is shown. */
export const ofMask = (pieces: Piece[], mask: number): Piece[] =>
  pieces.filter((piece) => piece.mask === mask);
