/**
 * Where cameras could hang better, and how few would do: candidate mounts along the walls and under the floors above, each
 * judged on every promise; the fewest that keep all of them as a set cover. May use every other part, {@code judge}
 * included; no part uses this one.
 */
package roofnest.core.spots;
