// The page /pair: answers the computer's offer, and waits to be let in.

/** How often a phone asks whether it was let in, ms. */
const ASK_MS = 1000;
/** A network that is away for a moment ends nothing: asked again for this long, ms. */
const GIVE_UP_MS = 120_000;

const at = (id) => document.getElementById(id);
const said = (text, trouble = false) => {
  at("said").textContent = text;
  at("said").className = trouble ? "trouble" : "";
};
const post = async (body) => {
  const response = await fetch("/pair", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  if (response.status === 429) throw new Error("Too many tries at once. Wait a minute.");
  if (!response.ok) throw new Error("The computer did not take that. Load the page again.");
  return response.json();
};
const over = "That code is not good any more. Make a new one on the computer.";
const wait = async (ticket) => {
  const from = Date.now();
  while (Date.now() - from < GIVE_UP_MS) {
    await new Promise((resolve) => setTimeout(resolve, ASK_MS));
    let result;
    try {
      ({ result } = await post({ ticket }));
    } catch {
      said("The computer can't be reached. Trying again.", true);
      continue;
    }
    if (result === "in") {
      said("This phone is in.");
      return location.replace("/film");
    }
    if (result === "refused") break;
    said("Waiting for the computer.");
  }
  at("waits").hidden = true;
  at("form").hidden = false;
  said("This phone was not let in. Make a new code on the computer to try again.", true);
};
const ask = async (answer, name) => {
  try {
    const told = await post({ answer, name });
    if (told.result === "wrong")
      return said(
        `That is another code. ${told.triesLeft === 1 ? "One try is" : `${told.triesLeft} tries are`} left.`,
        true,
      );
    if (told.result === "closed") return said(over, true);
    at("form").hidden = true;
    at("waits").hidden = false;
    at("words").textContent = told.words;
    said("Waiting for the computer.");
    await wait(told.ticket);
  } catch (error) {
    const known = error instanceof Error && !(error instanceof TypeError);
    said(
      known ? error.message : "The computer can't be reached. Is the phone on the same Wi-Fi?",
      true,
    );
  }
};
const device = /iPhone|iPad/.exec(navigator.userAgent)?.[0];
at("name").value = device ?? (/Android/.test(navigator.userAgent) ? "Android phone" : "My phone");
// The secret of a QR code stays in the fragment, which no server is sent; then it goes from the
// address as well.
const secret = /^#([\w-]{43})$/.exec(location.hash)?.[1];
if (secret) {
  history.replaceState(null, "", "/pair");
  const code = at("answer");
  code.required = false;
  code.parentElement.querySelector("label").hidden = true;
  code.hidden = true;
}
at("form").addEventListener("submit", (event) => {
  event.preventDefault();
  void ask(secret ?? at("answer").value, at("name").value);
});
