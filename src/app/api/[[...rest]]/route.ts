import { api, refusal } from "@/server/http/api";

/**
 * Whatever else is asked of the API. Without this an unknown address would be a page, and a page
 * takes a form that it is sent for a call of an action.
 */
const nothing = api<{ rest?: string[] }>(() => refusal("There is nothing at this address.", 404));

export {
  nothing as GET,
  nothing as HEAD,
  nothing as POST,
  nothing as PUT,
  nothing as PATCH,
  nothing as DELETE,
};
