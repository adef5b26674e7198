import { fileURLToPath } from 'node:url';
import { application } from './application';

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4180);
if (!Number.isInteger(port) || port < 0 || port > 65535) {
  process.stderr.write(`PORT is ${process.env.PORT ?? ''}: it has to be a number from 0 to 65535\n`);
  process.exit(1);
}

const folder = fileURLToPath(new URL('../app', import.meta.url));
const server = application(folder).listen(port, host, () => {
  const address = server.address();
  const at = typeof address === 'object' && address !== null ? address.port : port;
  const name = host.includes(':') ? `[${host}]` : host;
  process.stdout.write(`Hazel Spark is at http://${name}:${at}\n`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  const why =
    error.code === 'EADDRINUSE'
      ? `port ${port} is in use: choose another with PORT=4181 npm start`
      : error.message;
  process.stderr.write(`${why}\n`);
  process.exit(1);
});
