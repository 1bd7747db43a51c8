import type { SystemStyleObject } from "@chakra-ui/react";

/** One burst of heat in a strip of them, as long as it lasts. */
export const burstLook: SystemStyleObject = {
  background: "heat.wash",
  borderBottomWidth: "4px",
  borderColor: "heat",
  display: "flex",
  alignItems: "center",
  justifyContent: "center",
  fontWeight: "600",
};
