/**
 * Simulated cameras, phones, routers and push for rehearsal, the demo and tests: state machines on a virtual clock,
 * honest to the catalogue's cues and times. May use {@code core.catalogue} only.
 */
package roofnest.standins;
