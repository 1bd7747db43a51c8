import { Button } from "@chakra-ui/react";
import { useRef } from "react";

interface Props {
  /** What the file is, for those who hear the page. */
  label: string;
  accept: string;
  busy: boolean;
  onPick: (file: File) => void;
  /** Take it with the camera, where there is one. */
  camera?: boolean;
  children: React.ReactNode;
}

/** A button that asks for a file; the same file can be given twice. */
export function FilePick({ label, accept, busy, onPick, camera, children }: Props) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        size="lg"
        variant="outline"
        borderColor="border.emphasized"
        disabled={busy}
        onClick={() => picker.current?.click()}
      >
        {children}
      </Button>
      <input
        ref={picker}
        type="file"
        accept={accept}
        {...(camera ? { capture: "environment" as const } : {})}
        aria-label={label}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onPick(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
