/** Passwords of networks and cameras: sealed with a key outside the database, shown only by a logged act. */
package roofnest.app.secrets;
