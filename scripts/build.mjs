import { build, installPackages, requireNode } from './steps.mjs';

requireNode();
installPackages();
build();
