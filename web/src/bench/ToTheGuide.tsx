import { useNavigate } from "react-router";
import { Touch } from "./Touch";

interface Props {
  batchId: string;
  /** Not what is advised, where what was poured is not tempered. */
  advised: boolean;
}

/** From a poured bowl on to what is made from it. */
export function ToTheGuide({ batchId, advised }: Props) {
  const navigate = useNavigate();
  return (
    <Touch advised={advised} onClick={() => navigate(`/build/${batchId}`)}>
      Go on with the build guide
    </Touch>
  );
}
