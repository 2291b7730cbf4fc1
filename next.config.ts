import type { NextConfig } from 'next';

const config: NextConfig = {
  // Native and dynamic requires stay outside the bundle.
  serverExternalPackages: ['@react-pdf/renderer', 'sequelize', 'sharp', 'sqlite3', 'umzug'],
  // `npm test` checks types, once and with the tests.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
};

export default config;
