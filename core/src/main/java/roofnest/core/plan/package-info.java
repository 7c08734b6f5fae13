/**
 * The house: storeys, walls and what they are made of, openings, areas, paths, places and things, in local metres with
 * x to the east, y to the north and z up from the ground. Decides whether a plan document is sound. May use {@code lang}.
 */
package roofnest.core.plan;
