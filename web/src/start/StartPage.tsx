import { Box, Heading } from "@chakra-ui/react";
import { useParams } from "react-router";
import { Standing } from "../kit/Standing";
import { FromWhatIHave } from "./FromWhatIHave";
import { IWantToMake } from "./IWantToMake";
import { Ways } from "./Ways";

/** Where a plan begins: nothing is kept before something was chosen. */
export default function StartPage() {
  const { way } = useParams();
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1300px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        New plan
      </Heading>
      <Ways brief={way !== undefined} />
      <Box mt="5">
        {way === "have" && <FromWhatIHave />}
        {way === "make" && <IWantToMake />}
        {way !== undefined && way !== "have" && way !== "make" && (
          <Standing title="Page not found">Pick one of the ways above.</Standing>
        )}
      </Box>
    </Box>
  );
}
