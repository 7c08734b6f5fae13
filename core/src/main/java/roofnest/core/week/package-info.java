/**
 * An ordinary week before it happens: who comes by, what that sets off in each camera as it is set, what is recorded, whom it rings and
 * what is missed, with its spread over many weeks from one seed. May use {@code lang}, {@code promise}, {@code plan}, {@code catalogue},
 * {@code view}, {@code motion} and {@code alert}.
 */
package roofnest.core.week;
