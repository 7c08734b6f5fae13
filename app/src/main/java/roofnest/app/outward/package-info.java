/**
 * Ways out for the firm's own scripts: what they may read by a key, and what is told to an address of theirs when something is due. Reads
 * what records hold and changes none of it. Uses {@code records}, {@code firm}, {@code secrets} and {@code web}.
 */
package roofnest.app.outward;
