/**
 * The way of a camera's lead over the faces of a house, from a socket along skirting, wall and eaves and through what may be
 * drilled. May use {@code lang}, {@code plan}, {@code catalogue}, {@code view} and {@code mount}.
 */
package roofnest.core.cable;
