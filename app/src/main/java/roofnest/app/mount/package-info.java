/** Stage 5: height, fixings and cable. */
package roofnest.app.mount;
