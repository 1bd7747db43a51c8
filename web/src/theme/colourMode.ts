/** Follows the device: dark in a dark kitchen, light in a bright one. */
export function followColourMode(): void {
  const dark = window.matchMedia("(prefers-color-scheme: dark)");
  const set = () => {
    document.documentElement.classList.toggle("dark", dark.matches);
    document.documentElement.classList.toggle("light", !dark.matches);
    document.documentElement.style.colorScheme = dark.matches ? "dark" : "light";
  };
  dark.addEventListener("change", set);
  set();
}
