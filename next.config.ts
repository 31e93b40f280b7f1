import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["better-sqlite3", "piscina", "exceljs"],
  experimental: { optimizePackageImports: ["@chakra-ui/react"] },
  // Types are a step of their own in `npm test`; the build need not look at them a second time.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
