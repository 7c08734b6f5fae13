/**
 * Passwords of networks and devices: sealed with a key outside the database,
 * shown only by a logged act. Says how it stands with the key. Uses {@code web} alone.
 */
package roofnest.app.secrets;
