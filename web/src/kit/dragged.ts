let dragged = false;

/**
 * Calls back for a step of a drag. What listens may then wait with drawing the new value until
 * what follows from it is known, for what is dragged goes ahead by itself.
 */
export function asDragged(step: () => void): void {
  dragged = true;
  try {
    step();
  } finally {
    dragged = false;
  }
}

/** Whether it is a step of a drag that calls. */
export function isDragged(): boolean {
  return dragged;
}
