import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildIfStale, installPackages, requireNode, root } from './steps.mjs';

requireNode();
installPackages();
buildIfStale();
await import(pathToFileURL(join(root, 'dist', 'server', 'main.mjs')).href);
