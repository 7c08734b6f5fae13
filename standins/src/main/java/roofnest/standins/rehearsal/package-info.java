/**
 * Set exercises on the stand-ins, an installer who plays them, and what to make of a person's run. May use the run engine
 * of {@code core.pairing} beside the stand-ins and the catalogue.
 */
package roofnest.standins.rehearsal;
