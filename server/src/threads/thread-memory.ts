/** What a thread holds, as it can tell of itself; the operating system knows only of the process as a whole. */
export interface ThreadMemory {
  /** objects on the heap, garbage that was not collected yet included */
  heapBytes: number;
  /** buffers and WebAssembly memory outside the heap */
  buffersBytes: number;
}

export function threadMemory(): ThreadMemory {
  const { heapTotal, external } = process.memoryUsage();
  return { heapBytes: heapTotal, buffersBytes: external };
}
