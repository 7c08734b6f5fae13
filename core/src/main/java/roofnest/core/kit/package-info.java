/**
 * What has to be in the van, counted from the plan, and what it costs. May use {@code lang}, {@code catalogue},
 * {@code plan}, {@code view} and {@code mount}.
 */
package roofnest.core.kit;
