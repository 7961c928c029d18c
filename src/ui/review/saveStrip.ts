/**
 * Presentation of an SVG that its page's style sheet gives, which a file of its own must have
 * itself.
 */
const STYLED = ["fill", "stroke"] as const;

/**
 * An SVG of the page as a file of its own: with its size, its ground, and colours instead of the
 * page's tokens.
 */
export function svgFile(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  const [from, to] = [
    [svg, ...svg.querySelectorAll("*")],
    [copy, ...copy.querySelectorAll("*")],
  ];
  from.forEach((element, i) => {
    for (const name of STYLED)
      if (element.getAttribute(name)?.startsWith("var("))
        to[i]!.setAttribute(name, getComputedStyle(element).getPropertyValue(name));
    to[i]!.removeAttribute("class");
  });
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  for (const [name, value] of [
    ["width", "100%"],
    ["height", "100%"],
    ["fill", getComputedStyle(document.body).backgroundColor],
  ] as const)
    ground.setAttribute(name, value);
  copy.prepend(ground);
  return new XMLSerializer().serializeToString(copy);
}

/** A picture of it has so many pixels for each of the page's. */
const PNG_SCALE = 3;

/** The same as a PNG. */
export async function pngFile(svg: SVGSVGElement): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svgFile(svg)], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const { width, height } = svg.viewBox.baseVal;
    const canvas = Object.assign(document.createElement("canvas"), {
      width: width * PNG_SCALE,
      height: height * PNG_SCALE,
    });
    canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((b) => (b ? resolve(b) : reject(new Error("no picture"))), "image/png"),
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Hands a file to the browser's downloads. */
export function download(name: string, file: Blob): void {
  const url = URL.createObjectURL(file);
  Object.assign(document.createElement("a"), { href: url, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
