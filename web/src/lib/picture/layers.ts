/** What a picture shows on top of the blank. */
export interface Layers {
  /** The print itself. */
  print?: boolean;
  /** The mask lying on the blank, its windows open. */
  mask?: boolean;
  /** Numbers of the loose pieces: all, or only those kept. */
  numbers?: 'all' | 'kept';
  margin?: boolean;
  findings?: boolean;
  patches?: boolean;
  placements?: boolean;
  pins?: boolean;
  /** Distances from the blank's edges to the artwork. */
  tape?: boolean;
}
