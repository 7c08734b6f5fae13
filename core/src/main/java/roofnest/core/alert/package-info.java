/**
 * When cameras watch and whom they ring: the house's week by modes, what each camera does in a mode, each person's phone, and what one
 * device makes another do; circles among such rules, and how long a ring takes. May use {@code lang}, {@code catalogue}, {@code motion} and
 * {@code footage}.
 */
package roofnest.core.alert;
