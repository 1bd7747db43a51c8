import { Box, Heading } from "@chakra-ui/react";
import { ShoppingOfPlans } from "../shelf/ShoppingOfPlans";

/** The shopping list, on a helper's screen. */
export default function HelpersShopping() {
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1300px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        Shopping
      </Heading>
      <ShoppingOfPlans />
    </Box>
  );
}
