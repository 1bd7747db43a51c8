/** As wide as a finger, and narrower only where a screen has no room for all of them so. */
export const FINGER = "clamp(28px, 28px + (100vw - 320px) * 0.3, 48px)";
