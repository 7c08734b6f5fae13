/**
 * What a camera sees: lens and pose, pixel density, blind ground, face angle, the footprint cut by walls, the computed
 * picture, and how much of it is next door's. May use {@code lang}, {@code promise}, {@code plan}, {@code catalogue}.
 */
package roofnest.core.view;
