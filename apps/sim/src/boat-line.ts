import { createServer, type Server, type Socket } from 'node:net';
import { overTheLine, type Boat, type Faults } from './boat.js';

/**
 * Lets a boat speak over TCP, as a gateway on board does: every listener hears the same, a second of its day at a time.
 * Call `listen` on what comes back. @param everyMs how long a second of the boat's day lasts
 */
export function boatLine(boat: Boat, faults: Faults, random: () => number, everyMs = 1000): Server {
  const listeners = new Set<Socket>();
  let seconds = 0;
  const server = createServer((socket) => {
    listeners.add(socket);
    // Who goes away without a word is no reason to stop speaking to the others.
    socket.on('error', () => socket.destroy());
    socket.on('close', () => listeners.delete(socket));
  });
  const clock = setInterval(() => {
    const text = overTheLine(boat.sentences(seconds), seconds, faults, random);
    seconds++;
    if (text) for (const socket of listeners) socket.write(text);
  }, everyMs);
  server.on('close', () => clearInterval(clock));
  return server;
}
