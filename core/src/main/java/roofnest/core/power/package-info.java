/**
 * What a camera draws and what the sun gives back, day by day through a year. May use {@code lang}, {@code promise} and
 * {@code catalogue}.
 */
package roofnest.core.power;
