/** What is drawn of a plan and of a camera's picture, for page and paper alike. May use {@code web} and the core. */
package roofnest.app.drawing;
