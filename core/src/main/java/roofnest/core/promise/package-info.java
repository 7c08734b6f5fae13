/**
 * The one vocabulary of the product. A household's wishes are {@link roofnest.core.promise.Promise promises}; whatever
 * computes, times or records something bears on a promise and says so with a {@link roofnest.core.promise.Finding}.
 * May use {@code lang} only; every other part may use this one.
 */
package roofnest.core.promise;
