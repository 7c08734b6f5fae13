// What is typed at the drawing board: a length in metres and, if it goes another way than the pointer, a heading as degrees
// or as a word of the compass: 4.2, 4.2 135°, 4.2 east, 4,2 nw.

import { figure } from "./figures.js";

const COMPASS = ["north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"];

/** @returns length in metres and heading in degrees or null where the pointer says it; null for what is no length */
export function measured(typed) {
  const [, length, way] = /^\s*([0-9][0-9.,]*)\s*(?:m\s*)?(.*?)\s*$/i.exec(typed) ?? [];
  const metres = figure(length ?? "");
  if (!(metres > 0)) {
    return null;
  }
  if (!way) {
    return { metres, headingDeg: null };
  }
  const degrees = /^([0-9][0-9.,]*)\s*°?$/.exec(way);
  const heading = degrees ? figure(degrees[1]) : compass(way.toLowerCase());
  return heading === null || !(heading <= 360) ? null : { metres, headingDeg: heading };
}

/** Whole words, their beginnings, and the letters of the chart: east, sou, nw. */
function compass(word) {
  const letters = COMPASS.findIndex((name) => name.split("-").map((part) => part[0]).join("") === word);
  const index = letters >= 0 ? letters : COMPASS.findIndex((name) => name.startsWith(word.replace(/[ _]/g, "-"))
    || name.replace("-", "").startsWith(word));
  return index < 0 ? null : index * 45;
}

/** Whether a key goes on with what is being typed. */
export function goesOn(typed, key) {
  return /^[0-9.,]$/.test(key) || typed !== "" && /^[ a-zA-Z°-]$/.test(key);
}
