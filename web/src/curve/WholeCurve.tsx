import { lazy, Suspense } from "react";
import type { BowlAnswer } from "../api/client";
import { Loading } from "../kit/Standing";

const Curve = lazy(() => import("./Curve"));

/** The curve of a bowl that is over, from its beginning to its end. */
export function WholeCurve({ bowl }: { bowl: BowlAnswer }) {
  return (
    <Suspense fallback={<Loading what="the curve" />}>
      <Curve
        curve={bowl.curve}
        fan={[]}
        actions={bowl.actions}
        windows={bowl.windows}
        use={bowl.use_c}
      />
    </Suspense>
  );
}
