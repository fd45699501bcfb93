// Checks a model with the validator of its standard, and gives what it found as JSON.
import { readFileSync } from 'node:fs';
import validator from 'gltf-validator';

const report = await validator.validateString(readFileSync(process.argv[2], 'utf8'));
process.stdout.write(JSON.stringify({ issues: report.issues, info: report.info }));
