/**
 * Device models in the trade's terms: what each can see, join, store and draw, how it pairs and what its lights say.
 * Decides nothing about a house; a model's own figure wins over any default elsewhere. May use {@code lang}.
 */
package roofnest.core.catalogue;
