import type { NextConfig } from 'next';
import { reachedFromElsewhere } from './src/desk/people/reach';

const config: NextConfig = {
  // Native and dynamic requires stay outside the bundle.
  serverExternalPackages: ['@react-pdf/renderer', 'sequelize', 'sharp', 'sqlite3', 'umzug'],
  // `npm test` checks types, once and with the tests.
  typescript: { ignoreBuildErrors: true },
  // Within one machine, packing a page takes longer than sending it.
  compress: reachedFromElsewhere(),
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
};

export default config;
