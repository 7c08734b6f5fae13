/**
 * The faces of a house as one sees them who stands before them: walls, openings, ground, from the plan. May use {@code lang},
 * {@code plan}, {@code catalogue}, {@code view} and {@code mount}.
 */
package roofnest.core.facade;
