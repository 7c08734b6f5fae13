/** Stage 3: the house's Wi-Fi judged against the cameras' rules. */
package roofnest.app.ready;
