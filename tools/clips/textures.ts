import * as THREE from "three";
import { seeded } from "../../src/core/maths/seeded";
import type { Place } from "./clip";

/** Grass, carpet or boards seen from a few metres. */
export function ground(
  base: string,
  roughness: number,
  seed: number,
  boards = false,
): THREE.Texture {
  const size = 512;
  const [canvas, ctx] = sheet(size, size);
  const random = seeded(seed);
  ctx.fillStyle = base;
  ctx.fillRect(0, 0, size, size);
  if (boards)
    for (let i = 0; i < 8; i++) {
      ctx.fillStyle = `rgba(0,0,0,${0.03 + random.uniform() * 0.1})`;
      ctx.fillRect(i * 64, 0, 62, size);
      ctx.fillStyle = "rgba(0,0,0,.45)";
      ctx.fillRect(i * 64 + 62, 0, 2, size);
    }
  for (let i = 0; i < 900; i++) {
    ctx.fillStyle = random.uniform() < 0.5 ? "rgba(0,0,0,.07)" : "rgba(255,255,220,.06)";
    ctx.beginPath();
    ctx.ellipse(
      random.uniform() * size,
      random.uniform() * size,
      3 + random.uniform() * 16,
      2 + random.uniform() * 7,
      random.uniform() * 3,
      0,
      6.3,
    );
    ctx.fill();
  }
  grain(ctx, size, size, roughness, random);
  return texture(canvas);
}

/** A whole backdrop picture: sky over a hedge row, or a wall with things on it. */
export function backdrop(kind: Place, seed: number): THREE.Texture {
  const [canvas, ctx] = sheet(2048, 1024);
  const random = seeded(seed);
  if (kind === "range") {
    const sky = ctx.createLinearGradient(0, 0, 0, 700);
    sky.addColorStop(0, "#9fb4c2");
    sky.addColorStop(1, "#d5dde0");
    ctx.fillStyle = sky;
    ctx.fillRect(0, 0, 2048, 1024);
    for (let i = 0; i < 900; i++) {
      const y = 560 + random.uniform() * 330;
      ctx.fillStyle =
        `hsl(${88 + random.uniform() * 40} ${22 + random.uniform() * 24}% ` +
        `${18 + random.uniform() * 22}%)`;
      ctx.beginPath();
      ctx.ellipse(
        random.uniform() * 2048,
        y,
        14 + random.uniform() * 46,
        10 + random.uniform() * 26,
        0,
        0,
        6.3,
      );
      ctx.fill();
    }
    ctx.fillStyle = "#31402a";
    ctx.fillRect(0, 860, 2048, 164);
  } else {
    ctx.fillStyle = kind === "hall" ? "#b9b0a0" : "#8d9699";
    ctx.fillRect(0, 0, 2048, 1024);
    for (let x = 0; x < 2048; x += kind === "hall" ? 256 : 128) {
      ctx.fillStyle = `rgba(0,0,0,${0.04 + random.uniform() * 0.08})`;
      ctx.fillRect(x, 0, kind === "hall" ? 250 : 120, 1024);
    }
    for (let i = 0; i < 12; i++) {
      ctx.fillStyle = `hsl(${random.uniform() * 360} ${18 + random.uniform() * 26}% ${30 + random.uniform() * 34}%)`;
      ctx.fillRect(
        random.uniform() * 1950,
        330 + random.uniform() * 330,
        50 + random.uniform() * 120,
        40 + random.uniform() * 150,
      );
    }
    ctx.fillStyle = "rgba(40,30,20,.5)";
    ctx.fillRect(0, 940, 2048, 84);
  }
  grain(ctx, 2048, 1024, 10, random);
  return texture(canvas);
}

function sheet(
  width: number,
  height: number,
): [OffscreenCanvas, OffscreenCanvasRenderingContext2D] {
  const canvas = new OffscreenCanvas(width, height);
  return [canvas, canvas.getContext("2d")!];
}

function grain(
  ctx: OffscreenCanvasRenderingContext2D,
  w: number,
  h: number,
  strength: number,
  random: ReturnType<typeof seeded>,
): void {
  const image = ctx.getImageData(0, 0, w, h);
  for (let i = 0; i < image.data.length; i += 4) {
    const v = random.normal() * strength;
    for (let c = 0; c < 3; c++) image.data[i + c] = image.data[i + c]! + v;
  }
  ctx.putImageData(image, 0, 0);
}

function texture(canvas: OffscreenCanvas): THREE.Texture {
  const t = new THREE.CanvasTexture(canvas);
  t.colorSpace = THREE.SRGBColorSpace;
  t.wrapS = t.wrapT = THREE.RepeatWrapping;
  t.anisotropy = 1;
  return t;
}
