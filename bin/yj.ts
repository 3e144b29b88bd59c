import { command } from './command';

process.exitCode = await command(process.argv.slice(2));
