/**
 * The hours of a visit: its tasks with what hands must do and what runs by itself, the shortest order of them, and which
 * pack goes on which charger when. May use {@code lang} and {@code catalogue}.
 */
package roofnest.core.visit;
