/** Stage 1: the household's wishes as promises, and who lives there. */
package roofnest.app.brief;
