/** Stage 8: tests on site, the signature and the hand-over. */
package roofnest.app.prove;
