/** What a picture shows on top of the blank. */
export interface Layers {
  /** The print itself. */
  print?: boolean;
  /** The mask lying on the blank, its windows open. */
  mask?: boolean;
  /** Bridges to be taken hold of. */
  ties?: boolean;
  /** Necks and tongues: all, or the way to dab along tongues only. */
  weak?: 'all' | 'tongues';
  /** Numbers of the loose pieces: all, or only those kept. */
  numbers?: 'all' | 'kept';
  margin?: boolean;
  /** What runs over the blank's edge. */
  overhang?: boolean;
  /** Collar and centre line of a garment. */
  collar?: boolean;
  /** Parts of the design to be taken hold of. */
  parts?: boolean;
  findings?: boolean;
  patches?: boolean;
  placements?: boolean;
  pins?: boolean;
  /** As it lies before the maker: turned over where the blank is worked from its back. */
  back?: boolean;
  /** Distances from the blank's edges to the artwork. */
  tape?: boolean;
}
