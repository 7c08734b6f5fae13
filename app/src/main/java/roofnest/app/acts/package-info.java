/**
 * Work without a line: acts that a phone kept are taken once each, at the time at which they were done, and pages are named that a
 * phone takes along. Uses {@code web}, {@code firm} and {@code watch} alone.
 */
package roofnest.app.acts;
