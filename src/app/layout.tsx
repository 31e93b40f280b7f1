import "@fontsource-variable/figtree";
import "@fontsource-variable/source-serif-4";

import type { Metadata } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";

import { EARLY_SCRIPT } from "@/ui/kit/earlyScript";
import { Providers } from "@/ui/kit/Providers";

export const metadata: Metadata = {
  title: "Dozo",
  description: "Receivables: receipts matched, fees and payouts booked, overdue followed up.",
};

export default async function RootLayout({
  children,
}: {
  children: ReactNode;
}): Promise<ReactNode> {
  const nonce = (await headers()).get("x-nonce") ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: EARLY_SCRIPT }}
        />
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
