/**
 * Environment for the server's process. Hours of attempts come and go as buffers of megabytes; the C library would keep
 * freed ones in pools of each thread and let the process grow by hundreds of megabytes (measured: docs/bench.md). With
 * these it takes large ones from the system and gives them back. They only work when set before the process starts;
 * elsewhere than on glibc they do nothing.
 */
export const MEMORY = { MALLOC_ARENA_MAX: '2', MALLOC_MMAP_THRESHOLD_: '262144', MALLOC_TRIM_THRESHOLD_: '1048576' };
