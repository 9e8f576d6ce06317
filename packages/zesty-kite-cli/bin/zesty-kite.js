#!/usr/bin/env node
import { main } from '../bundle/main.js';

await main(process.argv.slice(2));
