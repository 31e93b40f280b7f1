import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["better-sqlite3", "piscina", "exceljs"],
  experimental: { optimizePackageImports: ["@chakra-ui/react"] },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
