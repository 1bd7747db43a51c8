import { defineConfig } from "@chakra-ui/react";
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  checkboxSlotRecipe,
  checkmarkRecipe,
  collapsibleSlotRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  fieldSlotRecipe,
  globalCss,
  headingRecipe,
  inputRecipe,
  kbdRecipe,
  keyframes,
  layerStyles,
  nativeSelectSlotRecipe,
  popoverSlotRecipe,
  qrCodeSlotRecipe,
  radioGroupSlotRecipe,
  radiomarkRecipe,
  segmentGroupSlotRecipe,
  semanticTokens,
  sliderSlotRecipe,
  spinnerRecipe,
  tableSlotRecipe,
  textareaRecipe,
  textStyles,
  tokens,
} from "@chakra-ui/react/theme";

/*
 * What of the component library's styles a first visit loads: those of the
 * parts that stand in this interface, and not of the sixty others. A part taken
 * from the library for the first time needs its line here; a test holds them
 * together.
 */
export const parts = defineConfig({
  preflight: true,
  cssVarsPrefix,
  cssVarsRoot,
  globalCss,
  theme: {
    breakpoints,
    keyframes,
    tokens,
    semanticTokens,
    textStyles,
    layerStyles,
    animationStyles,
    recipes: {
      button: buttonRecipe,
      checkmark: checkmarkRecipe,
      heading: headingRecipe,
      input: inputRecipe,
      kbd: kbdRecipe,
      radiomark: radiomarkRecipe,
      spinner: spinnerRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: {
      checkbox: checkboxSlotRecipe,
      collapsible: collapsibleSlotRecipe,
      field: fieldSlotRecipe,
      nativeSelect: nativeSelectSlotRecipe,
      popover: popoverSlotRecipe,
      qrCode: qrCodeSlotRecipe,
      radioGroup: radioGroupSlotRecipe,
      segmentGroup: segmentGroupSlotRecipe,
      slider: sliderSlotRecipe,
      table: tableSlotRecipe,
    },
  },
});
