import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";
import { parts } from "./parts";

/*
 * The look: a marble bench, ink, and chocolate in its own colour. Interface
 * colours stay cool so that the only brown on screen is chocolate. One typeface
 * with a width axis: what must be read from afar is set wide.
 */
const both = (light: string, dark: string) => ({ value: { _light: light, _dark: dark } });

const config = defineConfig({
  globalCss: {
    "html, body, #root": { minHeight: "100dvh" },
    // What is on a page does not move as it grows past the window.
    html: { scrollbarGutter: "stable", _print: { bg: "white" } },
    body: {
      fontFeatureSettings: '"tnum"',
      fontVariantNumeric: "tabular-nums",
      bg: "bg",
      color: "fg",
      lineHeight: "1.4",
      _print: { bg: "white", color: "black" },
    },
    // Rows of touches run from the other side for a left hand; what is in them does not.
    "[data-hand=left] [data-touches]": {
      direction: "rtl",
      "& > *": { direction: "ltr" },
      "& > [data-testid=offered] > *": { direction: "ltr" },
    },
    "*:focus-visible": {
      outline: "3px solid",
      outlineColor: "focus",
      outlineOffset: "2px",
    },
    "*, *::before, *::after": {
      _motionReduce: {
        animationDuration: "1ms !important",
        transitionDuration: "1ms !important",
      },
    },
  },
  theme: {
    // Nothing that is touched is smaller than a sticky finger.
    recipes: {
      button: {
        base: { minH: "12" },
        variants: { size: { xs: { minW: "12" }, sm: { minW: "12" }, md: { minW: "12" } } },
      },
      input: { base: { minH: "12" } },
    },
    slotRecipes: {
      segmentGroup: { slots: [], base: { item: { minH: "12" } } },
      // Taller than it looks, and no more room taken.
      slider: {
        slots: [],
        variants: {
          orientation: {
            horizontal: {
              control: {
                minHeight: "12",
                my: "-3.5",
                "&:has(.chakra-slider__markerLabel)": { marginBottom: "0.5" },
              },
              markerGroup: { top: "calc(var(--slider-marker-center) + 14px)" },
            },
          },
        },
      },
      nativeSelect: { slots: [], base: { field: { minH: "12" } } },
    },
    tokens: {
      fonts: {
        heading: { value: '"Archivo Variable", system-ui, sans-serif' },
        body: { value: '"Archivo Variable", system-ui, sans-serif' },
      },
      radii: { slab: { value: "6px" } },
    },
    semanticTokens: {
      colors: {
        bg: {
          DEFAULT: both("#E9ECE9", "#0F1418"),
          panel: both("#FBFCFA", "#181F25"),
          subtle: both("#F1F3F0", "#141A1F"),
          muted: both("#DDE2DE", "#232C34"),
          emphasized: both("#C9D1CC", "#303B45"),
        },
        fg: {
          DEFAULT: both("#121C26", "#EEF2EF"),
          muted: both("#42505C", "#B3BFC8"),
          subtle: both("#52606B", "#9AA8B2"),
        },
        border: { DEFAULT: both("#C3CBC6", "#35414B"), emphasized: both("#7C8983", "#6C7B87") },
        raised: both("#FBFCFA", "#44525E"),
        // Behind what is drawn in chocolate: dark must stand out from the dark.
        tile: both("transparent", "#465460"),
        ink: both("#1B2C4F", "#C9D6F5"),
        onInk: both("#FFFFFF", "#0F1418"),
        focus: both("#2E56C7", "#9DB7FF"),
        heat: {
          DEFAULT: both("#A83A12", "#FF9F78"),
          wash: both("#F6E2D8", "#3B2219"),
        },
        work: {
          DEFAULT: both("#08664D", "#6FDDB9"),
          wash: both("#D5EAE1", "#12352B"),
        },
        cool: {
          DEFAULT: both("#17607D", "#82CBEA"),
          wash: both("#D6E7EE", "#15303C"),
        },
        stop: {
          DEFAULT: both("#98102F", "#FF97AA"),
          wash: both("#F7DCE1", "#431622"),
        },
      },
    },
    textStyles: {
      wide: {
        value: {
          fontStretch: "118%",
          fontWeight: "640",
          letterSpacing: "-0.01em",
          lineHeight: "1",
        },
      },
      figure: {
        value: {
          fontStretch: "112%",
          fontWeight: "620",
          letterSpacing: "-0.015em",
          lineHeight: "1.05",
        },
      },
      title: { value: { fontStretch: "112%", fontWeight: "640", lineHeight: "1.1" } },
      label: {
        value: { fontSize: "0.875rem", fontWeight: "560", color: "fg.muted", lineHeight: "1.25" },
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, parts, config);
