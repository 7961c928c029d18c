/**
 * How to set up the phone: the view, the distance, the light, and what a look through the camera
 * says of them.
 */
export { aimOf } from "./aim";
export { type Aim, AIM_STEPS, type AimFault, type AimState, type AimWrong } from "./aimSteps";
export { ASKED, halfView, type Lens, lensOf } from "./lens";
export {
  bodyReach,
  type FilmPlan,
  leastDepth,
  type Loss,
  type PhonePlace,
  planFilm,
  type Planned,
  type Reach,
} from "./plan";
export { type Resolved, resolves } from "./resolves";
export { roomOf } from "./room";
export { changeSince, type SetUpChange, type Stood } from "./stood";
