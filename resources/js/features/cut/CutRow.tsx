import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useId, type ReactNode } from 'react';
import type { PieceReport, RunReport, Units } from '../../api/types';
import { Materials } from '../../drawing/Materials';
import { NotKnown } from '../../drawing/NotKnown';
import { textureOf } from '../../drawing/textures';
import { Said } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { SvgFraction } from '../../drawing/SvgFraction';
import { lengthInWords, runInWords, withinInWords } from '../../shared/lengths';
import { otherEnds, sincePrinted, type CutPiece } from '../../editing';

interface Props {
    piece: PieceReport;
    /** what is reckoned of it at Cut: its stick, what its ends want, what was printed */
    now?: CutPiece;
    /** the day of the ticket that was printed last */
    printedOn?: string;
    /** what most ends want, which is not said again */
    usual?: string;
    run: RunReport;
    units: Units;
    selected?: boolean;
    onSelect?: () => void;
    box?: boolean;
    children?: ReactNode;
}

/** One piece on the ticket: letter, cut length, its ends with the lines to draw, where it goes. */
export function CutRow({
    piece,
    now,
    printedOn,
    usual = '',
    run,
    units,
    selected = false,
    onSelect,
    box = false,
    children,
}: Props) {
    const leg = run.legs[piece.leg - 1];
    const findings = run.findings.filter(
        (finding) => finding.where.leg === piece.leg && (finding.severity === 'stop' || finding.severity === 'unknown'),
    );
    const joint = (key: string): string | undefined => run.joints.find((one) => one.key === key)?.mark;
    const ends = now ? otherEnds(now.ends, [joint(piece.joint_from), joint(piece.joint_to)], usual) : [];
    const since = now ? sincePrinted(now, printedOn, (mm) => lengthInWords(mm, units)) : null;
    const hold = findings.find((finding) => finding.severity === 'stop');
    return (
        <div className={selected ? 'cut-row lit' : 'cut-row'} onClick={onSelect}>
            <span className="tagp xl">{piece.letter}</span>
            <span className="cut-length mk">
                {piece.known ? <Said tape={now?.long ?? piece.cut} units={units} /> : <NotKnown />}
            </span>
            <PieceArt piece={piece} run={run} units={units} />
            <span className="cut-where">
                {run.system.letters} {piece.size}
                <br />
                {piece.between ? t`between the two bends` : leg?.what || t`leg ${piece.leg}`}
                {now?.stick && (
                    <span className="cap">
                        <Trans>
                            from stick {now.stick.number}, {runInWords(now.stick.length.mm, units)}
                            {now.stick.hubs && `, ${now.stick.hubs}`}
                        </Trans>
                        {now.stick.tight && t`; tight: measure it first`}
                    </span>
                )}
                {piece.known && now?.from_face && (
                    <span className="cap">
                        {t`cut ${lengthInWords(now.from_face.mm, units)} from the face of its hub`}
                    </span>
                )}
                {now?.long && now.doubt && (
                    <span className="cut-long">
                        <Trans>
                            cut long; comes to {lengthInWords(piece.cut.mm, units)} ±{' '}
                            {withinInWords(now.doubt.mm, units)}: dry-fit, then trim
                        </Trans>
                    </span>
                )}
                {since && (
                    <b>
                        <Shape kind="warn" size={15} /> {since}
                    </b>
                )}
                {hold && (
                    <b>
                        <Shape kind="stop" size={15} /> {t`hold: ${hold.title}`}
                    </b>
                )}
            </span>
            {box && <span className="cut-box">{now?.cut && <Done />}</span>}
            {ends.length > 0 && <span className="cut-ends cap">{ends.join('; ')}</span>}
            {children}
        </div>
    );
}

/** The box of a piece that is cut. */
function Done() {
    return (
        <>
            <Shape kind="done" size={26} />
            <span className="unseen">{t`cut already`}</span>
        </>
    );
}

/** Where the lines come round the pipe, and which end keeps its hub. */
function linesInWords(lines: { depth: string }[], piece: PieceReport): string {
    const said = t`lines at ${lines.map((line) => line.depth).join(' and ')} from the ends`;
    return piece.hub ? t`hub at its ${piece.hub}; ${said}` : said;
}

/** How wide the ring round a mark is: a circle round one or two signs. */
const ringWidth = (text: string): number => Math.max(24, 8 + 7.5 * text.length);

/**
 * The piece with its two joints, the lines at the lips, the hub that it keeps and the way of the water; long pieces are
 * drawn shorter.
 */
function PieceArt({ piece, run, units }: { piece: PieceReport; run: RunReport; units: Units }) {
    const prefix = useId().replace(/[^a-z0-9]/gi, '');
    const longest = Math.max(...run.pieces.map((one) => one.cut.mm));
    const w = 70 + 140 * Math.sqrt(piece.cut.mm / longest);
    const mark = (key: string): string | undefined => run.joints.find((joint) => joint.key === key)?.mark;
    const [x, y, od, lip] = [46, 8, 32, 16];
    const depth = (tape: PieceReport['depth_from']): string => (units === 'inch' ? tape.inch : tape.metric);
    // There is no joint where the next leg was not understood.
    const ends = [
        { at: 'start', joint: mark(piece.joint_from), ring: 22, lip: x + lip, depth: depth(piece.depth_from) },
        { at: 'end', joint: mark(piece.joint_to), ring: x + w + 24, lip: x + w - lip, depth: depth(piece.depth_to) },
    ].filter((end) => end.joint !== undefined);
    const lines = ends.filter((end) => end.at !== piece.hub);
    const ring = (cx: number, text = '') => (
        <g key={cx}>
            <rect
                x={cx - ringWidth(text) / 2}
                y={y + od / 2 - 12}
                width={ringWidth(text)}
                height={24}
                rx={12}
                style={{ fill: 'var(--sheet)', stroke: 'var(--mark)', strokeWidth: 2 }}
            />
            <text
                x={cx}
                y={y + od / 2 + 5}
                textAnchor="middle"
                style={{ font: '700 14px var(--f-mark)', fill: 'var(--mark)' }}
            >
                {text}
            </text>
        </g>
    );
    return (
        <svg
            className="cut-art"
            width={324}
            height={70}
            viewBox="0 0 324 70"
            role="img"
            aria-label={t`Joint ${ends.map((end) => end.joint).join(t` to joint `)}; ${linesInWords(lines, piece)}`}
        >
            <Materials prefix={prefix} />
            <path
                d={`M${x + 4} ${y}H${x + w - 4}L${x + w} ${y + 4}V${y + od - 4}L${x + w - 4} ${y + od}H${x + 4}L${x} ${y + od - 4}V${y + 4}Z`}
                style={{
                    fill: `url(#${prefix}${textureOf(run.system.material)})`,
                    stroke: 'var(--edge)',
                    strokeWidth: 1.4,
                }}
            />
            <rect
                x={x}
                y={y + 6}
                width={w}
                height={od - 12}
                style={{ fill: 'var(--lumen)', stroke: 'var(--edge)', strokeWidth: 1 }}
            />
            {piece.hub && (
                <rect
                    x={piece.hub === 'start' ? x - 5 : x + w + 5 - lip}
                    y={y - 5}
                    width={lip}
                    height={od + 10}
                    style={{
                        fill: `url(#${prefix}${textureOf(run.system.material)})`,
                        stroke: 'var(--edge)',
                        strokeWidth: 1.4,
                    }}
                />
            )}
            {lines.map((end) => (
                <g key={end.lip}>
                    <path d={`M${end.lip} ${y - 3}V${y + od + 3}`} style={{ stroke: 'var(--mark)', strokeWidth: 3 }} />
                    <SvgFraction x={end.lip} y={y + od + 23} text={end.depth} size={19} fill="var(--mark)" />
                </g>
            ))}
            <path
                d={`M${x + w / 2 - 16} ${y + od / 2}h26m-8 -6l9 6l-9 6`}
                style={{ fill: 'none', stroke: 'var(--water)', strokeWidth: 2.4 }}
            />
            {ends.map((end) => ring(end.ring, end.joint))}
        </svg>
    );
}
