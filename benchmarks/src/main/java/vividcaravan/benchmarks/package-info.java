/** Load on the running product, and benchmarks of the core. Measured beside what the ground gives, in the same run. */
package vividcaravan.benchmarks;
