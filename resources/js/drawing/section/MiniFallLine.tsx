import { t } from '@lingui/core/macro';
import { useId, useMemo } from 'react';
import type { RunDrawing } from '../../api/types';
import { Materials } from '../Materials';
import { textureOf } from '../textures';
import { layOutSection } from './geometry';
import { RunArt } from './RunArt';

const FRAME = { top: 16, bottom: 16, left: 38, right: 42, visible: 6, most: 17, least: 6 };

/** The long section of a run as small as it can be read, without a word: a row of the board. */
export function MiniFallLine({
    run,
    fill,
    width,
    height,
}: {
    run: RunDrawing;
    fill: number;
    width: number;
    height: number;
}) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const section = useMemo(() => layOutSection(run, { width, height, ...FRAME }), [run, width, height]);
    return (
        <svg
            className="fall-line"
            width={section.width}
            height={section.height}
            viewBox={`0 0 ${section.width} ${section.height}`}
            role="img"
            aria-label={t`The fall line`}
        >
            <Materials prefix={prefix} />
            <RunArt
                section={section}
                run={run}
                fill={fill}
                textures={(material) => `url(#${prefix}${textureOf(material)})`}
            />
        </svg>
    );
}
