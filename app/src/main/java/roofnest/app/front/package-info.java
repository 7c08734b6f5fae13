/** The front page: all households of the firm, by stage. */
package roofnest.app.front;
