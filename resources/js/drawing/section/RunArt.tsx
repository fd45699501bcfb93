import type { RunDrawing } from '../../api/types';
import { BreakMark, EndArt, FittingArt, FlowHead, PieceHubArt, PipeArt, WaterArt } from './FittingArt';
import type { DrawnLink, Section } from './geometry';
import { middle } from './labels';

interface Props {
    section: Section<RunDrawing>;
    run: RunDrawing;
    fill: number;
    textures: (material: string) => string;
    chosen?: DrawnLink<RunDrawing> | undefined;
}

/** The run itself in its long section: fittings, pipe, what stands at its ends, and the water in it. */
export function RunArt({ section, run, fill, textures, chosen }: Props) {
    const texture = textures(run.system.material);
    const first = section.nodes[0];
    const last = section.nodes.at(-1);
    const isDrawn = section.links.length > 0;
    const pipes = section.links.filter((link) => link.piece);
    return (
        <>
            {section.nodes.map((node) => (
                <FittingArt key={node.key} node={node} run={run} texture={texture} />
            ))}
            {first && isDrawn && (
                <EndArt node={first} link={section.links[0]} at="outlet" {...{ textures, run }} scale={section.v} />
            )}
            {last && isDrawn && (
                <EndArt node={last} link={section.links.at(-1)} at="tie-in" {...{ textures, run }} scale={section.v} />
            )}
            {pipes.map((link, i) => (
                <PipeArt key={i} link={link} texture={texture} selected={link === chosen} />
            ))}
            {run.system.hubs !== null &&
                section.links.map(
                    (link, i) =>
                        link.piece && (
                            <PieceHubArt
                                key={i}
                                link={link}
                                ends={[section.nodes[i], section.nodes[i + 1]]}
                                run={run}
                                texture={texture}
                            />
                        ),
                )}
            {section.nodes.map((node) => (
                <WaterArt key={node.key} node={node} fill={fill} />
            ))}
            {pipes.map((link, i) => (
                <WaterArt key={i} link={link} fill={fill} />
            ))}
            {pipes.map(
                (link, i) =>
                    link.broken &&
                    !link.piece?.between && <BreakMark key={i} at={middle(link)} u={link.u} width={link.od} gap={6} />,
            )}
            {pipes.map(
                (link, i) =>
                    link.kind === 'level' && link.u[1] >= -0.02 && link.od < 20 && <FlowHead key={i} link={link} />,
            )}
        </>
    );
}
