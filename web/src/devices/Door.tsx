import type { ReactNode } from "react";
import { useMe } from "./me";
import { PairPage } from "./PairPage";
import { SignInPage } from "./SignInPage";

/** The application, for whoever is let in; what it takes to be, for whoever is not. */
export function Door({ children }: { children: ReactNode }) {
  const me = useMe().data;
  if (me?.must === "sign_in") return <SignInPage />;
  if (me?.must === "pair") return <PairPage />;
  // Where the server does not answer, each page says so by itself.
  return children;
}
