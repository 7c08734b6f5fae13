/**
 * A house full of simulated phones, accounts and screens that look through simulated cameras, so that shutting somebody out can be
 * rehearsed and tried. May use {@code core.access} only.
 */
package roofnest.standins.looking;
