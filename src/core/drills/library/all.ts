// Written by `npm run lists`: one line a file of this folder.
import { drill as archRod } from "./archRod";
import { drill as ballToss } from "./ballToss";
import { drill as bentKneeDriver } from "./bentKneeDriver";
import { drill as bentKneeIron } from "./bentKneeIron";
import { drill as bigToeBrace } from "./bigToeBrace";
import { drill as boardBehind } from "./boardBehind";
import { drill as doubleStep } from "./doubleStep";
import { drill as earlyLeadStep } from "./earlyLeadStep";
import { drill as feetTogether } from "./feetTogether";
import { drill as forwardRock } from "./forwardRock";
import { drill as hangingArmsTurn } from "./hangingArmsTurn";
import { drill as heelKeepsPace } from "./heelKeepsPace";
import { drill as heelOnProp } from "./heelOnProp";
import { drill as heelToeSwap } from "./heelToeSwap";
import { drill as hipBurst } from "./hipBurst";
import { drill as hipsOnWall } from "./hipsOnWall";
import { drill as leadFootRocker } from "./leadFootRocker";
import { drill as leadLegOnly } from "./leadLegOnly";
import { drill as leadTrailLead } from "./leadTrailLead";
import { drill as normalSwing } from "./normalSwing";
import { drill as outsideEdgeProp } from "./outsideEdgeProp";
import { drill as quietGripStepping } from "./quietGripStepping";
import { drill as rockingBoardLevel } from "./rockingBoardLevel";
import { drill as rockingBoardSide } from "./rockingBoardSide";
import { drill as stepToTarget } from "./stepToTarget";
import { drill as thighRest } from "./thighRest";
import { drill as threeStances } from "./threeStances";
import { drill as trailFootPivot } from "./trailFootPivot";
import { drill as trailPushOff } from "./trailPushOff";
import { drill as trailStepFlat } from "./trailStepFlat";
import { drill as trailToeBehind } from "./trailToeBehind";
import { drill as transferCheck } from "./transferCheck";

export const all = [
  archRod,
  ballToss,
  bentKneeDriver,
  bentKneeIron,
  bigToeBrace,
  boardBehind,
  doubleStep,
  earlyLeadStep,
  feetTogether,
  forwardRock,
  hangingArmsTurn,
  heelKeepsPace,
  heelOnProp,
  heelToeSwap,
  hipBurst,
  hipsOnWall,
  leadFootRocker,
  leadLegOnly,
  leadTrailLead,
  normalSwing,
  outsideEdgeProp,
  quietGripStepping,
  rockingBoardLevel,
  rockingBoardSide,
  stepToTarget,
  thighRest,
  threeStances,
  trailFootPivot,
  trailPushOff,
  trailStepFlat,
  trailToeBehind,
  transferCheck,
];
