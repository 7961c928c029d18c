import { DEVICE_HEADER } from "../../front/guard";
import { UserError } from "../userError";

/** Whether a request came through the front, from a paired device. */
export const isFromDevice = (headers: Headers): boolean => headers.has(DEVICE_HEADER);

/**
 * Who is let in is decided on the computer alone. @throws UserError when a paired device asks
 */
export function mustBeThisComputer(headers: Headers): void {
  if (isFromDevice(headers))
    throw new UserError("Phones are let in and out on the computer itself.", 403);
}
