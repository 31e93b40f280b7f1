import "@fontsource-variable/figtree";
import "@fontsource-variable/source-serif-4";

import type { Metadata } from "next";
import type { ReactNode } from "react";

import { Providers } from "@/ui/kit/Providers";

export const metadata: Metadata = {
  title: "Dozo",
  description: "Receivables: receipts matched, fees and payouts booked, overdue followed up.",
};

export default function RootLayout({ children }: { children: ReactNode }): ReactNode {
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
