/** Waits for silence: nothing heard for as long as was said last. */
export function watched() {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let silent: () => void = () => {};
  const silence = new Promise<"silent">((resolve) => (silent = () => resolve("silent")));
  const end = () => clearTimeout(timer);
  return {
    silence,
    end,
    /** @param ms how long nothing may be heard from now on; null: as long as it likes */
    heard(ms: number | null) {
      end();
      if (ms !== null) timer = setTimeout(silent, ms);
    },
  };
}
