/** Passwords of networks and devices: sealed with a key outside the database, shown only by a logged act. A leaf. */
package roofnest.app.secrets;
