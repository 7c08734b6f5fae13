/**
 * Where a camera really hangs and looks, read from a still of its own: which points of the plan can be found in it, the pose under
 * which they fall where they were tapped, how sure that is, and which point would make it surer. May use {@code lang},
 * {@code plan}, {@code catalogue} and {@code view}.
 */
package roofnest.core.still;
