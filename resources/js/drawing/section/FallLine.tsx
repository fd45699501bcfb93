import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useId, useMemo } from 'react';
import type { RunReport, Units } from '../../api/types';
import { Materials } from '../Materials';
import { textureOf } from '../textures';
import { ShapeBody } from '../../shared/Shape';
import { WitnessArt } from './FittingArt';
import { RunArt } from './RunArt';
import { layOutSection, type DrawnNode, type Section } from './geometry';
import { along, placeLabels, TAG, WORDS, type Ends, type Flag, type Label, type Labels, type Tag } from './labels';
import { HangerTicks } from './HangerTicks';
import type { TickOf } from './ticks';
import { scalesInWords, TapeFoot } from './TapeFoot';

export interface Selection {
    kind: 'piece' | 'joint';
    key: string;
}

export type Grade = 'full' | 'folded' | 'phone';

const FRAMES = {
    full: { top: 33, bottom: 60, left: 70, right: 90, visible: 34, most: 36, least: 14 },
    folded: { top: 34, bottom: 50, left: 60, right: 80, visible: 36, most: 30, least: 12 },
    phone: { top: 34, bottom: 52, left: 60, right: 70, visible: 40, most: 30, least: 12 },
};

interface Props {
    run: RunReport;
    units: Units;
    ends: Ends;
    fill: number;
    width: number;
    height: number;
    grade: Grade;
    hangers?: TickOf[];
    selected?: Selection | null;
    onSelect?: (selection: Selection) => void;
    onFinding?: (index: number) => void;
    /** opens another run, from its name at the stub */
    onRun?: (run: string) => void;
}

/** One and the same list, so that nothing is placed anew. */
const NONE: TickOf[] = [];

/**
 * The long section of a run: every piece lettered, every joint numbered, findings as flags, water at an assumed depth.
 */
export function FallLine({
    run,
    units,
    ends,
    fill,
    width,
    height,
    grade,
    hangers = NONE,
    selected = null,
    onSelect,
    onFinding,
    onRun,
}: Props) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const section = useMemo(() => layOutSection(run, { width, height, ...FRAMES[grade] }), [run, width, height, grade]);
    const labels = useMemo<Labels>(
        () => placeLabels(section, run, units, ends, hangers),
        [section, run, units, ends, hangers],
    );
    const textures = (material: string): string => `url(#${prefix}${textureOf(material)})`;
    const texture = textures(run.system.material);
    const chosen = section.links.find((link) => selected?.kind === 'piece' && link.piece?.key === selected.key);
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
            {chosen && (
                <path
                    d={`M${along(chosen.from, chosen.u, chosen.takeOut).join(' ')}L${along(chosen.to, chosen.u, -chosen.takeIn).join(' ')}`}
                    style={{ stroke: 'var(--lit)', strokeWidth: chosen.od + 14, fill: 'none' }}
                />
            )}
            {section.nodes
                .filter((node) => node.planTurn !== 0)
                .map((node) => (
                    <FoldLine key={node.key} node={node} foot={section.foot} />
                ))}
            <RunArt section={section} run={run} fill={fill} textures={textures} chosen={chosen} />
            {section.links.map((link, i) => link.piece && <WitnessArt key={i} link={link} />)}
            {hangers.length > 0 && <HangerTicks section={section} hangers={hangers} />}
            <TapeFoot section={section} units={units} />
            {labels.legend && (
                <Legend
                    x={labels.legend.x}
                    y={labels.legend.y}
                    texture={texture}
                    letters={run.system.letters}
                    section={section}
                    fill={fill}
                />
            )}
            {labels.labels.map((label, i) => (
                <LabelArt key={i} label={label} onRun={onRun} />
            ))}
            {labels.flags.map((flag) => (
                <FlagArt key={flag.finding} flag={flag} onClick={() => onFinding?.(flag.finding)} />
            ))}
            {labels.tags.map((tag) => (
                <TagArt
                    key={`${tag.kind} ${tag.key}`}
                    tag={tag}
                    selected={selected?.kind === tag.kind && selected.key === tag.key}
                    onClick={() => onSelect?.({ kind: tag.kind, key: tag.key })}
                />
            ))}
        </svg>
    );
}

export function TagArt({ tag, selected, onClick }: { tag: Tag; selected: boolean; onClick: () => void }) {
    const [x, y] = tag.at;
    const text = (fill: string, size: number) => (
        <text x={x} y={y + size * 0.34} textAnchor="middle" style={{ font: `700 ${size}px var(--f-mark)`, fill }}>
            {tag.text}
        </text>
    );
    return (
        <g className="tag" data-tag={`${tag.kind} ${tag.text}`} data-selected={selected || undefined} onClick={onClick}>
            {tag.lead && (
                <path
                    d={`M${x} ${y}L${tag.lead[0]} ${tag.lead[1]}`}
                    style={{ stroke: 'var(--mark)', strokeWidth: 1, opacity: 0.7 }}
                />
            )}
            {tag.kind === 'piece' ? (
                <>
                    {selected && (
                        <rect
                            x={x - tag.w / 2 - 3}
                            y={y - TAG / 2 - 3}
                            width={tag.w + 6}
                            height={TAG + 6}
                            style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2 }}
                        />
                    )}
                    <rect
                        x={x - tag.w / 2}
                        y={y - TAG / 2}
                        width={tag.w}
                        height={TAG}
                        rx="2"
                        style={{ fill: 'var(--mark)' }}
                    />
                    {text('var(--on-mark)', 16)}
                </>
            ) : (
                <>
                    {selected && (
                        <rect
                            x={x - tag.w / 2 - 3.5}
                            y={y - TAG / 2 - 3.5}
                            width={tag.w + 7}
                            height={TAG + 7}
                            rx={TAG / 2 + 3.5}
                            style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 2 }}
                        />
                    )}
                    <rect
                        x={x - tag.w / 2 + 1}
                        y={y - TAG / 2 + 1}
                        width={tag.w - 2}
                        height={TAG - 2}
                        rx={TAG / 2 - 1}
                        style={{ fill: 'var(--sheet)', stroke: 'var(--mark)', strokeWidth: 2 }}
                    />
                    {text('var(--mark)', 14)}
                </>
            )}
        </g>
    );
}

function LabelArt({ label, onRun }: { label: Label; onRun: ((run: string) => void) | undefined }) {
    const [x, y] = label.at;
    const fill =
        label.kind === 'fall'
            ? 'var(--water)'
            : label.kind === 'length' || label.kind === 'turn'
              ? 'var(--ink-2)'
              : 'var(--ink)';
    const weight =
        label.kind === 'fall' || label.kind === 'end' || label.kind === 'branch'
            ? 600
            : label.kind === 'material'
              ? 700
              : 500;
    return (
        <text
            x={x}
            y={y}
            textAnchor={label.anchor}
            className={label.kind === 'branch' ? 'branch-name' : undefined}
            onClick={label.run !== undefined && onRun ? () => onRun(label.run ?? '') : undefined}
            style={{ fontSize: label.size, fill, fontWeight: weight }}
            {...(label.rotate === 0 ? {} : { transform: `rotate(${label.rotate} ${x} ${y})` })}
        >
            {label.text}
        </text>
    );
}

function FlagArt({ flag, onClick }: { flag: Flag; onClick: () => void }) {
    const { box, severity } = flag;
    const dark = severity === 'stop';
    const fill =
        severity === 'stop' ? 'var(--stop-fill)' : severity === 'warn' ? 'var(--warn-fill)' : 'var(--note-fill)';
    const ink = severity === 'stop' ? 'var(--stop-text)' : severity === 'warn' ? 'var(--warn-text)' : 'var(--ink)';
    const clip =
        severity === 'note'
            ? `M${box.x} ${box.y}h${box.w - 9}l9 9v${box.h - 9}h${-box.w}Z`
            : `M${box.x} ${box.y}h${box.w}v${box.h}h${-box.w}Z`;
    return (
        <g
            className="flag"
            data-flag={severity}
            onClick={onClick}
            role="img"
            aria-label={`${WORDS[severity]}: ${flag.text || t`see findings`}`}
        >
            <path
                d={`M${flag.pole.from.join(' ')}L${flag.pole.to[0]} ${flag.pole.to[1] - 2}`}
                style={{ stroke: 'var(--ink)', strokeWidth: 1.8 }}
            />
            <circle cx={flag.pole.to[0]} cy={flag.pole.to[1] - 2} r="2.6" style={{ fill: 'var(--ink)' }} />
            <path
                d={clip}
                style={{
                    fill,
                    stroke: dark ? 'none' : 'var(--ink)',
                    strokeWidth: 1.5,
                    ...(severity === 'unknown' ? { strokeDasharray: '5 3' } : {}),
                }}
            />
            <g transform={`translate(${box.x + 6} ${box.y + 4}) scale(0.8)`}>
                {dark ? <StopOnDark /> : <ShapeBody kind={severity} />}
            </g>
            {flag.word !== '' && (
                <text x={box.x + 27} y={box.y + 17} style={{ fontSize: 14.5, fill: ink }}>
                    <tspan style={{ fontWeight: 700, fill: ink }}>{flag.word}</tspan>
                    {flag.text !== '' && <tspan style={{ fill: ink }}> {flag.text}</tspan>}
                </text>
            )}
        </g>
    );
}

/** The octagon on its own bar: the same shape in the other ink. */
function StopOnDark() {
    return (
        <>
            <path d="M6 0.8H14L19.2 6V14L14 19.2H6L0.8 14V6Z" style={{ fill: 'var(--stop-text)' }} />
            <rect x="4.4" y="8.1" width="11.2" height="3.8" style={{ fill: 'var(--stop-fill)' }} />
        </>
    );
}

/** A turn in plan is folded flat: dash-dot line, and an arrow as the turn looks from above. */
function FoldLine({ node, foot }: { node: DrawnNode; foot: number }) {
    const [x, y] = node.p;
    const top = y - node.hubOd / 2 - 30;
    const side = node.planTurn > 0 ? 1 : -1;
    return (
        <g>
            <path
                d={`M${x} ${top}V${Math.min(foot - 6, y + node.hubOd / 2 + 34)}`}
                style={{ stroke: 'var(--ink)', strokeWidth: 1.2, strokeDasharray: '9 3 2 3' }}
            />
            <path
                d={`M${x - 16} ${top}H${x}V${top + side * 9}m-3.5 ${-side * 4}l3.5 ${side * 4}l3.5 ${-side * 4}`}
                style={{ fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.8 }}
            />
        </g>
    );
}

function Legend({
    x,
    y,
    texture,
    letters,
    section,
    fill,
}: {
    x: number;
    y: number;
    texture: string;
    letters: string;
    section: Section;
    fill: number;
}) {
    const scales = scalesInWords(section);
    return (
        <g>
            <text x={x} y={y + 18} style={{ font: '700 21px var(--f-mark)' }}>
                {t`The fall line`}
            </text>
            <text x={x} y={y + 36} style={{ fontSize: 13, fill: 'var(--ink-2)' }}>
                {`${scales.charAt(0).toUpperCase()}${scales.slice(1)}.`}
            </text>
            <text x={x} y={y + 52} style={{ fontSize: 13, fill: 'var(--ink-2)' }}>
                <Trans>
                    Breaks mark what is drawn short. Water drawn at{' '}
                    {fill > 0.32 && fill < 0.34 ? t`a third` : `${Math.round(fill * 100)} %`}, assumed.
                </Trans>
            </text>
            <rect x={x} y={y + 66} width="26" height="13" style={{ fill: texture, stroke: 'var(--edge)' }} />
            <text x={x + 32} y={y + 77} style={{ fontSize: 13, fontWeight: 600 }}>
                {letters.slice(0, 6)}
            </text>
            <rect x={x + 72} y={y + 64} width="17" height="17" rx="2" style={{ fill: 'var(--mark)' }} />
            <text
                x={x + 80.5}
                y={y + 78}
                textAnchor="middle"
                style={{ font: '700 14px var(--f-mark)', fill: 'var(--on-mark)' }}
            >
                {t`A`}
            </text>
            <text x={x + 95} y={y + 77} style={{ fontSize: 13 }}>
                {t`you cut it`}
            </text>
            <circle
                cx={x + 170}
                cy={y + 72.5}
                r="8.6"
                style={{ fill: 'var(--sheet)', stroke: 'var(--mark)', strokeWidth: 1.8 }}
            />
            <text
                x={x + 170}
                y={y + 77.2}
                textAnchor="middle"
                style={{ font: '700 13px var(--f-mark)', fill: 'var(--mark)' }}
            >
                1
            </text>
            <text x={x + 184} y={y + 77} style={{ fontSize: 13 }}>
                {t`you join it`}
            </text>
            <path d={`M${x + 254} ${y + 65}v15`} style={{ stroke: 'var(--mark)', strokeWidth: 3 }} />
            <text x={x + 262} y={y + 77} style={{ fontSize: 13 }}>
                {t`line at lip`}
            </text>
        </g>
    );
}
