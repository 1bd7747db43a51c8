import { useNavigate } from "react-router";
import { Touch } from "./Touch";

/** From a poured bowl on to what is made from it. */
export function ToTheGuide({ batchId }: { batchId: string }) {
  const navigate = useNavigate();
  return (
    <Touch advised onClick={() => navigate(`/build/${batchId}`)}>
      Go on with the build guide
    </Touch>
  );
}
