import { useEffect, useState } from "react";

import type { ImportReport } from "@/contracts/arrivals";

import { sendCommand } from "../shell/send";

/** What taking the file in would do, asked anew whenever it is read otherwise. */
export function useReport(
  book: string,
  asked: string,
): { report: ImportReport | null; problem: string | null } {
  const [told, setTold] = useState<{ report: ImportReport | null; problem: string | null }>({
    report: null,
    problem: null,
  });
  useEffect(() => {
    let current = true;
    const input = { ...(JSON.parse(asked) as object), asking: true };
    void sendCommand<ImportReport>(book, "importFile", input, { rehearse: true }).then((sent) => {
      if (current)
        setTold(
          sent.ok ? { report: sent.value, problem: null } : { report: null, problem: sent.message },
        );
    });
    return () => {
      current = false;
    };
  }, [book, asked]);
  return told;
}
