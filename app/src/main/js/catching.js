// Where a point on the sheet is caught: by ends of what is drawn, by walls, by the axes from the point before, by the grid.

const AXIS_DEG = 4;
const GRID_M = 0.1;

/**
 * @param at the pointer, in metres
 * @param from the point before; undefined for none
 * @param corners of what is drawn
 * @param walls each with its two ends
 * @param near how near catches, in metres
 */
export function caught(at, { from, corners, walls, near }) {
  const end = nearest(corners, at, near);
  if (end) {
    return { ...end, by: "end" };
  }
  let on = at;
  let by = "";
  if (from) {
    const heading = headingDeg(from, at);
    const axis = Math.round(heading / 45) * 45;
    if (Math.abs(heading - axis) < AXIS_DEG) {
      const length = Math.round(Math.hypot(at.x - from.x, at.y - from.y) / GRID_M) * GRID_M;
      on = along(from, length, axis);
      by = "axis";
    }
  }
  const wall = nearest(walls.map(([a, b]) => foot(a, b, on)).filter(Boolean), on, near);
  if (wall) {
    return { ...wall, by: "wall" };
  }
  return by ? { ...on, by } : { x: Math.round(at.x / GRID_M) * GRID_M, y: Math.round(at.y / GRID_M) * GRID_M, by: "grid" };
}

/** Clockwise from north, between −180 and 180; y points down. */
export function headingDeg(from, to) {
  return Math.atan2(to.x - from.x, from.y - to.y) * 180 / Math.PI;
}

export function along(from, length, heading) {
  return { x: from.x + length * Math.sin(heading * Math.PI / 180), y: from.y - length * Math.cos(heading * Math.PI / 180) };
}

function nearest(candidates, at, within) {
  let best = null;
  for (const candidate of candidates) {
    const distance = Math.hypot(candidate.x - at.x, candidate.y - at.y);
    if (distance < within && (!best || distance < Math.hypot(best.x - at.x, best.y - at.y))) {
      best = candidate;
    }
  }
  return best;
}

/** Where a point falls on a wall's line between its ends; null beyond them. */
export function foot(a, b, at) {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const share = ((at.x - a.x) * dx + (at.y - a.y) * dy) / (dx * dx + dy * dy);
  return share >= 0 && share <= 1 ? { x: a.x + share * dx, y: a.y + share * dy } : null;
}
