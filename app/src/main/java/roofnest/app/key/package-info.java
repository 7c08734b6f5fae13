/** What the owner sees and decides about the key that seals passwords, and its change by a command. Uses the floors alone. */
package roofnest.app.key;
