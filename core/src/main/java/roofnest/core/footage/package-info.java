/** How long footage is kept. May use {@code lang}, {@code promise} and {@code catalogue}. */
package roofnest.core.footage;
