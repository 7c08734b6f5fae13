/**
 * Files that take longer to make than anybody wants to wait for an answer: made beside the request, with a page that says so
 * meanwhile, and kept until what they show has changed. Uses the watch alone.
 */
package roofnest.app.workshop;
