import { OctagonX, TriangleAlert } from "lucide-react";

/** How much an advice matters, told by ground, edge and shape. */
export const levels = {
  info: { wash: "bg.panel", edge: "ink", icon: null },
  caution: { wash: "heat.wash", edge: "heat", icon: TriangleAlert },
  stop: { wash: "stop.wash", edge: "stop", icon: OctagonX },
} as const;
