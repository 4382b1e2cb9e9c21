/** Numbers set apart, so that every one can be read. */
export interface Place {
  x: number;
  y: number;
}

const ROUNDS = 60;
/** Beyond this many numbers a picture is a crowd whatever one does; they stay on their pieces. */
const CROWD = 150;

/** Move places apart until no two are nearer than `least`, each as little as it takes. */
export function spread(places: Place[], least: number): Place[] {
  const moved = places.map((place) => ({ ...place }));
  if (moved.length > CROWD) return moved;
  for (let round = 0; round < ROUNDS && parted(moved, least); round++);
  return moved;
}

/** Push pairs that are too near each other apart once; says whether there were any. */
function parted(places: Place[], least: number): boolean {
  let any = false;
  for (let i = 0; i < places.length; i++) {
    for (let j = i + 1; j < places.length; j++) {
      const [a, b] = [places[i], places[j]];
      if (!a || !b) continue;
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const apart = Math.hypot(dx, dy);
      if (apart >= least - 0.01) continue;
      any = true;
      const push = (least - apart) / 2;
      // Two on the very same spot part sideways.
      const [ux, uy] = apart > 1e-6 ? [dx / apart, dy / apart] : [1, 0];
      a.x -= ux * push;
      a.y -= uy * push;
      b.x += ux * push;
      b.y += uy * push;
    }
  }
  return any;
}
