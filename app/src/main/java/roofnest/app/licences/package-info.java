/** Which parts of others ship with the application, and under which licences. Uses {@code web} alone. */
package roofnest.app.licences;
