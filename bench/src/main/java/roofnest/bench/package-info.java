/** Benchmarks of the core's hot paths on the demo's largest house, run by {@code bin/bench}; figures in docs/performance.md. */
package roofnest.bench;
