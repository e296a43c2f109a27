import { execFileSync } from 'node:child_process';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { benchBundle } from './bundle.ts';
import { benchChains, benchChecks, benchLayout, benchMoves, benchOutputs, benchPinChoice, benchPorts } from './core.ts';
import { benchFirmware } from './firmware.ts';
import { benchLarge } from './large.ts';
import { benchPages, benchReadBack } from './pages.ts';
import { benchPlacement } from './placement.ts';
import { benchPower } from './power.ts';
import { benchEdits, benchHangar } from './server.ts';
import { benchStick } from './stick.ts';

const root = join(import.meta.dirname, '../..');
const processors = cpus();
const revision = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { cwd: root }).toString().trim();
process.stdout.write(
  `${processors.length} x ${processors[0]?.model ?? 'unknown processor'}, Node ${process.version}, revision ${revision}\n\n`,
);
await benchChecks();
await benchChains();
await benchPorts();
await benchOutputs();
await benchMoves();
await benchFirmware();
await benchPower();
await benchPinChoice();
await benchLayout();
await benchPlacement();
await benchLarge(root);
await benchEdits(root);
await benchHangar(root);
await benchPages(root);
await benchReadBack(root);
await benchStick(root);
benchBundle(root);
