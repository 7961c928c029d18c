import * as THREE from "three";
import type { Vec3 } from "../../src/core/maths/vec3";
import { seeded } from "../../src/core/maths/seeded";
import type { ClipSpec } from "./clip";
import { lightOf, skyColour } from "./light";
import { backdrop, ground } from "./textures";

/** Floor, mat, ball, what lies behind and the light of a clip's place; nothing in it moves. */
export function stage(scene: THREE.Scene, spec: ClipSpec, cameraForward: Vec3): void {
  const { place } = spec;
  const outside = place === "range";
  const light = lightOf(spec);
  scene.background = new THREE.Color(skyColour(spec)).multiplyScalar(Math.min(light.behind, 1));
  scene.add(new THREE.HemisphereLight("#ffffff", light.groundColour, light.sky));
  const sun = new THREE.DirectionalLight(light.sunColour, light.sun);
  sun.position.set(...light.from);
  sun.castShadow = true;
  sun.shadow.mapSize.set(1024, 1024);
  Object.assign(sun.shadow.camera, {
    left: -400,
    right: 400,
    top: 400,
    bottom: -400,
    near: 50,
    far: 1600,
  });
  scene.add(sun);

  const base = { range: "#4d6a35", hall: "#8a6a45", carport: "#7d7b76", room: "#77695c" }[place];
  const floor = ground(
    base,
    outside ? 22 : 12,
    10 + (spec.seed % 7),
    place === "hall" || place === "room",
  );
  floor.repeat.set(14, 14);
  const plane = (w: number, d: number, map: THREE.Texture, y: number) => {
    const mesh = new THREE.Mesh(
      new THREE.PlaneGeometry(w, d),
      new THREE.MeshLambertMaterial({ map }),
    );
    mesh.rotation.x = -Math.PI / 2;
    mesh.position.y = y;
    mesh.receiveShadow = true;
    scene.add(mesh);
  };
  plane(4000, 4000, floor, -0.3);
  const mat = ground(outside ? "#35604a" : "#3d5c4c", 16, 14);
  mat.repeat.set(3, 3);
  plane(220, 170, mat, 0);

  // What lies behind stands across the camera's way of looking.
  const flat = Math.hypot(cameraForward[0], cameraForward[2]);
  const [fx, fz] = [cameraForward[0] / flat, cameraForward[2] / flat];
  const away = outside ? 1700 : 260;
  const back = new THREE.Mesh(
    new THREE.PlaneGeometry(outside ? 4200 : 1600, outside ? 1100 : 520),
    new THREE.MeshBasicMaterial({
      map: backdrop(place, spec.seed),
      color: new THREE.Color(outside ? "#ffffff" : "#c9c4ba").multiplyScalar(light.behind),
    }),
  );
  back.position.set(fx * away, outside ? 330 : 255, fz * away);
  back.rotation.y = Math.atan2(-fx, -fz);
  scene.add(back);
  if (place === "room") clutter(scene, spec.seed, [fx, fz]);
  const ball = new THREE.Mesh(
    new THREE.SphereGeometry(2.15, 16, 12),
    new THREE.MeshLambertMaterial({ color: "#fafafa" }),
  );
  ball.position.set(0, 2.15, 82);
  ball.castShadow = true;
  scene.add(ball);
}

/** Boxes and shelves behind the golfer. */
function clutter(scene: THREE.Scene, seed: number, [fx, fz]: [number, number]): void {
  const random = seeded(seed + 90);
  for (let i = 0; i < 16; i++) {
    const [w, h, d] = [
      20 + random.uniform() * 50,
      18 + random.uniform() * 120,
      18 + random.uniform() * 30,
    ];
    const colour = new THREE.Color().setHSL(
      random.uniform(),
      0.15 + random.uniform() * 0.4,
      0.2 + random.uniform() * 0.5,
    );
    const box = new THREE.Mesh(
      new THREE.BoxGeometry(w, h, d),
      new THREE.MeshLambertMaterial({ color: colour }),
    );
    const aside = (random.uniform() - 0.5) * 620;
    const away = 150 + random.uniform() * 95;
    box.position.set(fx * away - fz * aside, h / 2, fz * away + fx * aside);
    box.rotation.y = random.uniform() * 3;
    box.castShadow = box.receiveShadow = true;
    scene.add(box);
  }
}
