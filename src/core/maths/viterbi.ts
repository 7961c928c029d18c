/**
 * The likeliest way of a state through a series of looks (Viterbi 1967): the way with the least sum
 * of misfits and of squared steps between neighbours in units of their standard deviation.
 *
 * @param looks misfit (a squared standard score) of each state in each look; null where nothing was
 * seen
 * @param states how many there are
 * @param stepSd standard deviation of the step from one look to the next, in states; steps of more
 * than three are not taken
 * @param most a look that fits worse than this is a mistake and costs no more
 * @returns the state at each look
 * @example likeliestWay([[0, 9], [4, 5], [0, 9]], 2, 0.4, 9) // [0, 0, 0]
 */
export function likeliestWay(
  looks: readonly (ArrayLike<number> | null)[],
  states: number,
  stepSd: number,
  most: number,
): Int32Array {
  const reach = Math.max(1, Math.ceil(3 * stepSd));
  const from = new Int16Array(looks.length * states);
  let cost = new Float64Array(states);
  let next = new Float64Array(states);
  for (let i = 0; i < looks.length; i++) {
    const back = i * states;
    if (i === 0) next.fill(0);
    else {
      next.fill(Infinity);
      // Step by step over all states at once: the inner loop runs straight through both lists.
      for (let step = -reach; step <= reach; step++) {
        const price = (step / stepSd) ** 2;
        const last = Math.min(states, states - step);
        for (let s = Math.max(0, -step); s < last; s++) {
          const c = cost[s + step]! + price;
          if (c < next[s]!) {
            next[s] = c;
            from[back + s] = s + step;
          }
        }
      }
    }
    const look = looks[i];
    if (look) for (let s = 0; s < states; s++) next[s]! += look[s]! < most ? look[s]! : most;
    [cost, next] = [next, cost];
  }
  const way = new Int32Array(looks.length);
  let s = cost.reduce((best, c, k) => (c < cost[best]! ? k : best), 0);
  for (let i = looks.length - 1; i >= 0; i--) {
    way[i] = s;
    s = from[i * states + s]!;
  }
  return way;
}
