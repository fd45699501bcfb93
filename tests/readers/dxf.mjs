// Reads a drawing with a reader that is not ours, and gives its layers and entities as JSON.
import { readFileSync } from 'node:fs';
import DxfParser from 'dxf-parser';

const read = new DxfParser().parseSync(readFileSync(process.argv[2], 'utf8'));
process.stdout.write(
    JSON.stringify({
        layers: Object.keys(read.tables.layer.layers),
        units: read.header.$INSUNITS,
        extents: [read.header.$EXTMIN, read.header.$EXTMAX],
        entities: read.entities,
    }),
);
