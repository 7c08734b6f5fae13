/**
 * The household's own sheet: what it is called and where it is, what is next and whose it is, what was taken out, and how it
 * is put away or removed.
 */
package roofnest.app.particulars;
