import type { ReactNode } from "react";
import { IS_ON_A_DEVICE } from "../api/kept";
import { useMe } from "./me";
import { PairPage } from "./PairPage";
import { SignInPage } from "./SignInPage";

/** The application, for whoever is let in; what it takes to be, for whoever is not. */
export function Door({ children }: { children: ReactNode }) {
  const { data: me, isPending } = useMe();
  // A device that may not be let in asks for nothing before that is known.
  if (IS_ON_A_DEVICE && isPending) return null;
  if (me?.must === "sign_in") return <SignInPage />;
  if (me?.must === "pair") return <PairPage />;
  // Where the server does not answer, each page says so by itself.
  return children;
}
