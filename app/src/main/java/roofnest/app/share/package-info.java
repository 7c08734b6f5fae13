/** Stage 7: who may look and who may change. */
package roofnest.app.share;
