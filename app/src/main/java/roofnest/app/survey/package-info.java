/** Stage 2: the plan, the board, cameras placed and aimed, and every promise judged on each move. */
package roofnest.app.survey;
