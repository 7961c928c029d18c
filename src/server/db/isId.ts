/** Whether something may be the id of a row: what an address names need not be one. */
export const isId = (id: string): boolean => /^[\w-]{1,80}$/.test(id);
