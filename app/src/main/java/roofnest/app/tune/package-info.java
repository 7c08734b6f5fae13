/** Stage 6: clips, footage and power through the year. */
package roofnest.app.tune;
