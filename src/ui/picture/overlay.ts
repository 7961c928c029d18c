import { sides, type SidePoints } from "@/core/track/sides";
import { at, type Track } from "@/core/track/track";

/** Where in the film the golfer is shown: a square of it, px of the film. */
export interface View {
  left: number;
  top: number;
  size: number;
}

export const viewOf = (track: Track): View => {
  const size = Math.min(track.crop.size * 1.12, Math.max(track.video.width, track.video.height));
  return { left: track.crop.cx - size / 2, top: track.crop.cy - size / 2, size };
};

/** Draws the joints of one frame: trunk and arms in white, the lead leg blue, the trail leg orange, each joint ringed. */
export function drawOverlay(ctx: CanvasRenderingContext2D, track: Track, frame: number, hand: "left" | "right", view: View, px: number): void {
  const k = px / view.size;
  const s = sides(hand);
  const place = (p: number): [number, number] => [(track.landmarks[at(frame, p)]! - view.left) * k, (track.landmarks[at(frame, p) + 1]! - view.top) * k];
  const bones = (points: number[], colour: string) => {
    for (const [width, style] of [[6, "rgba(10,36,47,.75)"], [3, colour]] as const) {
      ctx.beginPath();
      points.forEach((p, i) => (i ? ctx.lineTo(...place(p)) : ctx.moveTo(...place(p))));
      ctx.lineWidth = width;
      ctx.strokeStyle = style;
      ctx.lineJoin = "round";
      ctx.stroke();
    }
  };
  ctx.clearRect(0, 0, px, px);
  bones([s.trail.shoulder, s.trail.elbow, s.trail.wrist], "#fff");
  bones([s.lead.shoulder, s.lead.elbow, s.lead.wrist], "#fff");
  bones([s.trail.hip, s.trail.shoulder, s.lead.shoulder, s.lead.hip, s.trail.hip], "#fff");
  const leg = (p: SidePoints, colour: string) => {
    bones([p.hip, p.knee, p.ankle, p.heel, p.toe, p.ankle], colour);
    for (const joint of [p.hip, p.knee, p.ankle]) {
      ctx.beginPath();
      ctx.arc(...place(joint), 4.2, 0, 7);
      ctx.fillStyle = colour;
      ctx.fill();
      ctx.lineWidth = 1.6;
      ctx.strokeStyle = "#0a242f";
      ctx.stroke();
    }
  };
  leg(s.trail, "#f98a3c");
  leg(s.lead, "#4fa5fa");
  const label = (p: SidePoints, text: string, colour: string, side: number) => {
    const [x, y] = place(p.toe);
    ctx.font = "600 15px 'Atkinson Hyperlegible Next Variable', sans-serif";
    const w = ctx.measureText(text).width + 16;
    const left = Math.min(Math.max(x + side * (w / 2 + 10) - w / 2, 2), px - w - 2);
    const top = Math.min(y + 10, px - 26);
    ctx.fillStyle = "rgba(10,36,47,.86)";
    ctx.fillRect(left, top, w, 24);
    ctx.fillStyle = colour;
    ctx.fillText(text, left + 8, top + 17);
  };
  const leadRight = hand === "right" ? 1 : -1;
  label(s.trail, "▲ trail", "#ffa061", -leadRight);
  label(s.lead, "lead ●", "#74baff", leadRight);
}
