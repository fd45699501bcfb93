import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Tape } from '../../api/types';
import { BendList } from './BendList';
import { CheckScale } from './CheckScale';
import { CutRow } from './CutRow';
import { Isometric } from '../../drawing/iso/Isometric';
import { Said, SaidFall } from '../../drawing/Said';
import { MiniFallLine } from '../../drawing/section/MiniFallLine';
import { FallLine } from '../../drawing/section/FallLine';
import { evaluatedRuns } from '../../drawing/section/testRuns';
import { Shape } from '../../shared/Shape';

const tape: Tape = { mm: 1384.3, inch: '54 1/2', feet: '4\' 6 1/2"', metric: '1384' };
const runs = evaluatedRuns(31, 25).filter((run) => run.pieces.length > 1);
const ends = { outlet: 'sink', tieIn: 'stack' };
const text = (html: string): string => html.replace(/<[^>]*>/g, '');
const count = (html: string, what: RegExp): number => html.match(what)?.length ?? 0;

describe('a length on the screen', () => {
    it('stacks its fraction and never shows decimals of an inch', () => {
        const html = renderToStaticMarkup(<Said tape={tape} units="inch" />);
        expect(html).toContain('<u>1</u><u>2</u>');
        expect(text(html)).not.toContain('.');
        expect(html).toContain('title="1384 mm"');
    });

    it('is read aloud whole', () => {
        expect(renderToStaticMarkup(<Said tape={tape} units="inch" />)).toContain('aria-label="54 1/2"');
    });

    it('says no inches over the foot as a nought before the fraction', () => {
        const html = renderToStaticMarkup(<Said tape={{ ...tape, feet: '11\' 1/16"' }} units="inch" feet />);
        expect(html).toContain('aria-label="0 1/16″"');
        expect(text(renderToStaticMarkup(<Said tape={{ ...tape, feet: "4'" }} units="inch" feet />))).toBe('4′');
    });

    it('shows feet from two feet up, and millimetres in a job of millimetres', () => {
        expect(text(renderToStaticMarkup(<Said tape={tape} units="inch" feet />))).toMatch(/^4′ 612″$/);
        expect(text(renderToStaticMarkup(<Said tape={{ ...tape, feet: '14"' }} units="inch" feet />))).toBe('14″');
        expect(text(renderToStaticMarkup(<Said tape={tape} units="mm" unit />))).toBe('1384mm');
        expect(renderToStaticMarkup(<Said tape={tape} units="mm" />)).toContain('title="54 1/2 in"');
    });

    it('says a fall as the trade does, with about where it is', () => {
        expect(text(renderToStaticMarkup(<SaidFall fall={{ inch: '1/4', metric: '20.8' }} units="inch" />))).toBe(
            '14 per ft',
        );
        expect(text(renderToStaticMarkup(<SaidFall fall={{ inch: 'about 1/4', metric: '20' }} units="inch" />))).toBe(
            'about 14 per ft',
        );
        expect(text(renderToStaticMarkup(<SaidFall fall={{ inch: '1/4', metric: '20.8' }} units="mm" />))).toBe(
            '20.8 mm/m',
        );
    });
});

describe('the drawings', () => {
    it('tag every piece and joint on the fall line, flag what stands against the run, and state the scales', () => {
        for (const run of runs) {
            const html = renderToStaticMarkup(
                <FallLine run={run} units="inch" ends={ends} fill={1 / 3} width={1280} height={318} grade="full" />,
            );
            expect(count(html, /data-tag="piece /g)).toBe(run.pieces.length);
            expect(count(html, /data-tag="joint /g)).toBe(run.joints.length);
            expect(html).toMatch(/one scale|times the scale of lengths/);
            expect(html).not.toMatch(/NaN|undefined|Infinity/);
            if (run.findings.some((finding) => finding.severity === 'stop' && finding.where.tape_mm !== null))
                expect(html).toContain('data-flag="stop"');
        }
    });

    it('show the selected tag ringed, and a miniature without tags', () => {
        const run = runs[0];
        const key = run?.pieces[0]?.key;
        if (!run || !key) throw new Error('no run');
        const plain = renderToStaticMarkup(
            <FallLine run={run} units="inch" ends={ends} fill={0.3} width={1280} height={318} grade="full" />,
        );
        const chosen = renderToStaticMarkup(
            <FallLine
                run={run}
                units="inch"
                ends={ends}
                fill={0.3}
                width={1280}
                height={318}
                grade="full"
                selected={{ kind: 'piece', key }}
            />,
        );
        expect(count(chosen, /stroke:var\(--ink\);stroke-width:2"/g)).toBe(
            count(plain, /stroke:var\(--ink\);stroke-width:2"/g) + 1,
        );
        expect(renderToStaticMarkup(<MiniFallLine run={run} fill={0.3} width={376} height={128} />)).not.toContain(
            'data-tag',
        );
    });

    it('use no colour but the tokens', () => {
        const run = runs[0];
        if (!run) throw new Error('no run');
        const html = renderToStaticMarkup(
            <FallLine run={run} units="inch" ends={ends} fill={0.3} width={1280} height={318} grade="full" />,
        );
        expect(html).not.toMatch(/(?:fill|stroke):\s*(?:#|rgb|black|white|red|blue)/);
    });

    it('show the isometric with the same letters', () => {
        for (const run of runs) {
            const html = renderToStaticMarkup(
                <Isometric run={run} turns={2} width={386} height={300} selected={null} onSelect={() => undefined} />,
            );
            for (const piece of run.pieces.slice(0, 5)) expect(html).toContain(`data-tag="piece ${piece.letter}"`);
            expect(html).not.toMatch(/NaN|undefined/);
        }
    });

    it('have a silhouette of its own for every severity', () => {
        const shapes = (['stop', 'warn', 'note', 'unknown', 'done', 'open'] as const).map((kind) =>
            renderToStaticMarkup(<Shape kind={kind} />).replace(/var\(--[a-z0-9-]+\)/g, ''),
        );
        expect(new Set(shapes).size).toBe(6);
    });
});

describe('the ticket', () => {
    it('names both joints of a piece, its two lines, and holds what a stop stands against', () => {
        const run = runs.find((one) =>
            one.findings.some(
                (finding) => finding.severity === 'stop' && one.pieces.some((piece) => piece.leg === finding.where.leg),
            ),
        );
        if (!run) throw new Error('no run with a stop');
        const html = run.pieces
            .map((piece) => renderToStaticMarkup(<CutRow piece={piece} run={run} units="inch" box />))
            .join('');
        for (const piece of run.pieces) {
            const mark = (key: string) => run.joints.find((joint) => joint.key === key)?.mark;
            expect(html).toContain(`Joint ${mark(piece.joint_from)} to joint ${mark(piece.joint_to)}`);
        }
        expect(html).toContain('hold:');
        expect(count(html, /class="cut-box"/g)).toBe(run.pieces.length);
    });

    it('lists every fitting with its joints and how it is turned', () => {
        for (const run of runs) {
            const html = renderToStaticMarkup(<BendList run={run} units="inch" />);
            expect(count(html, /<li>/g)).toBe(run.fittings.length);
            for (const bend of run.fittings.filter(
                (fitting) => Math.abs(fitting.roll_deg ?? 0) > 1 && Math.abs(fitting.roll_deg ?? 0) < 179,
            )) {
                expect(html).toContain(`rolled ${Math.round(Math.abs(bend.roll_deg ?? 0))}°`);
            }
        }
    });

    it('has a scale of true length in both units', () => {
        expect(renderToStaticMarkup(<CheckScale units="inch" />)).toContain('width="3.1in"');
        expect(renderToStaticMarkup(<CheckScale units="mm" />)).toContain('width="82.4mm"');
    });
});
