// Finds what stands out of the button or link it is in, and words that are cut off with nothing
// to show that they are.
const found = [];
const seen = (e) => e.checkVisibility({ visibilityProperty: true });
const told = (e) => `${e.outerHTML.slice(0, 60)} ${e.getAttribute("aria-label") ?? e.innerText}`;

/** Whether something between a part and what it stands in cuts it off. */
function isClipped(part, host) {
  for (let e = part; e !== host; e = e.parentElement) {
    if (getComputedStyle(e).overflowX !== "visible") return true;
  }
  return false;
}

/** Where words and pictures stand within an element. */
function* partsOf(host) {
  const nodes = document.createTreeWalker(host, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT);
  for (let node = nodes.nextNode(); node; node = nodes.nextNode()) {
    if (node.nodeType === Node.TEXT_NODE) {
      if (!node.data.trim() || isClipped(node.parentElement, host)) continue;
      const words = document.createRange();
      words.selectNode(node);
      yield* words.getClientRects();
    } else if (node.matches("svg, img, kbd") && !isClipped(node.parentElement, host)) {
      yield node.getBoundingClientRect();
    }
  }
}

for (const host of document.querySelectorAll("button, a[href], [role=button], label")) {
  const box = host.getBoundingClientRect();
  const look = getComputedStyle(host);
  if (box.width <= 1 || look.display === "inline" || look.overflowX !== "visible") continue;
  if (!seen(host)) continue;
  for (const part of partsOf(host)) {
    if (part.width <= 1 || part.height <= 1) continue;
    const over = Math.max(
      box.left - part.left,
      part.right - box.right,
      box.top - part.top,
      part.bottom - box.bottom,
    );
    if (over > 1.5) found.push(`${Math.round(over)} px out of ${told(host)}`);
  }
}
for (const e of document.querySelectorAll("main *")) {
  const look = getComputedStyle(e);
  if (look.overflowX !== "hidden" && look.overflowX !== "clip") continue;
  if (look.textOverflow === "ellipsis" || e.clientWidth <= 1) continue;
  if (![...e.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.data.trim())) continue;
  if (e.scrollWidth > e.clientWidth + 1 && seen(e)) found.push(`cut off: ${told(e)}`);
}
return [...new Set(found)].map((one) => `${one} (of ${innerWidth} px)`);
