/** A thread that never answers. */
export default function wait() {
  Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0);
}
