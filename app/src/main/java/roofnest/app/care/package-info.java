/** Stage 9: the log, the next charge and its calendar entry. */
package roofnest.app.care;
