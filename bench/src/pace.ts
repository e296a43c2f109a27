const numbers = new Float64Array(4096).map((_, i) => i + 1);

/** A fixed sum over a small table: only the speed of the processor changes how long it takes. */
function fixedLoop(): number {
  let sum = 0;
  for (let round = 0; round < 300; round++) {
    for (let i = 0; i < numbers.length; i++) {
      sum += (numbers[i] ?? 0) * 1.0000001;
      numbers[i] = sum % 7;
    }
  }
  return sum;
}

/** How long a fixed loop takes just now, in ms: machines that are shared change their speed by a factor of two within a minute. */
export function paceNow(): number {
  const start = performance.now();
  fixedLoop();
  return performance.now() - start;
}
