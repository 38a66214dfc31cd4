import type { AddressInfo } from 'node:net';
import { seeded } from '@inky-shoal/demo';
import { boatLine } from './boat-line.js';
import { demoBoat, USUAL_FAULTS } from './demo-boat.js';
import { standIns } from './service.js';

const port = Number(process.env['INKY_SIM_PORT'] ?? 0);
const server = standIns().listen(port, '127.0.0.1', () => {
  // The starting script waits for this line.
  process.stdout.write(`The stand-ins are at http://127.0.0.1:${(server.address() as AddressInfo).port}\n`);
});
server.on('error', (error) => {
  process.stderr.write(`The stand-ins could not start: ${error.message}\n`);
  process.exit(1);
});

// A boat speaks where a port is set for it.
const boatPort = Number(process.env['INKY_SIM_BOAT_PORT'] ?? 0);
const boat = boatPort ? boatLine(demoBoat(), USUAL_FAULTS, seeded(7)).listen(boatPort, '127.0.0.1') : null;
boat?.on('error', (error) => process.stderr.write(`The boat could not start: ${error.message}\n`));

const stop = () => {
  boat?.close();
  server.close(() => process.exit(0));
  server.closeIdleConnections();
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
// Started by another program, they end with it.
const parent = process.ppid;
setInterval(() => {
  if (process.ppid !== parent) process.exit(0);
}, 1000).unref();
