/**
 * Will the link hold: path loss through the plan's walls, both directions, confidence, rate and contours. May use
 * {@code lang}, {@code promise}, {@code plan} and {@code catalogue}.
 */
package roofnest.core.radio;
