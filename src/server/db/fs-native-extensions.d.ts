declare module "fs-native-extensions" {
  /**
   * Locks an open file, without waiting, until it is closed or the process ends. @returns whether
   * it was free
   */
  export function tryLock(fd: number): boolean;
}
