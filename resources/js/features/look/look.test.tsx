// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { beforeEach, expect, it } from 'vitest';
import type { JobDocument, JobStanding, StandingReport } from '../../api/types';
import type { Happened } from '../../editing';
import { identified } from '../../testing/answers';
import { Edited, emptyJob, lengthsRead, show, standInServer } from '../../testing/screen';
import { LookStation } from './LookStation';

const server = standInServer();
const user = userEvent.setup();
let kept: JobDocument | null = null;
let said: Happened[] = [];

beforeEach(() => {
    kept = null;
    said = [];
    server.use(
        lengthsRead,
        http.post('/api/reckon/identify', () => HttpResponse.json(identified())),
    );
});

const stub: JobStanding = { id: 'p1', name: 'Stub on the stack', end: 'plain', fixed: true, how: 'guessed' };
const known: JobStanding = { ...stub, id: 'p2', name: 'Cellar hub', end: 'hub', system: 'ci-hub-service', size: '4' };

const report = (pipe: JobStanding): StandingReport => ({
    id: pipe.id,
    known: pipe.system !== undefined,
    said: pipe.system === undefined ? 'not known' : `${pipe.system} ${pipe.size}`,
    letters: '',
    material: 'cast-iron',
    od_mm: null,
    bore_mm: null,
    source: null,
});

interface Shown {
    at?: string;
    phone?: boolean;
    /** what else stands in the job */
    more?: Partial<JobDocument>;
}

function look(pipes: JobStanding[], { at = '/', phone = false, more = {} }: Shown = {}): void {
    show(
        <Edited
            document={{ ...emptyJob(), standing: pipes, ...more }}
            evaluation={{ standing: pipes.map(report) }}
            onDocument={(document) => {
                kept = document;
            }}
            onHappened={(events) => said.push(...events)}
        >
            {(editor) => <LookStation editor={editor} phone={phone} />}
        </Edited>,
        at,
    );
}

const pipes = (): JobStanding[] => kept?.standing ?? [];

it('says what it is for where no standing pipe is entered', () => {
    look([]);
    expect(screen.getByText('every place that this job ties to')).toBeTruthy();
    expect(screen.getByText(/what it is decides the joint/)).toBeTruthy();
});

it('begins with the pipe that is not known yet', () => {
    look([known, stub]);
    expect(screen.getByText('1 of 2 known')).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Stub on the stack: not known' })).toBeTruthy();
});

it('opens the pipe that the address names, and a pipe that is tapped', async () => {
    look([stub, known], { at: '/?pipe=p2' });
    expect(screen.getByRole('heading', { name: /^Cellar hub/ })).toBeTruthy();
    await user.click(screen.getByRole('button', { name: /Stub on the stack/ }));
    expect(screen.getByRole('heading', { name: /^Stub on the stack/ })).toBeTruthy();
    expect(screen.getByLabelText('address').textContent).toBe('/?pipe=p1');
});

it('shows one thing at a time on a phone: the list, then the pipe, and back', async () => {
    look([stub, known], { phone: true });
    expect(screen.queryByRole('heading', { name: /^Stub on the stack/ })).toBeNull();
    await user.click(screen.getByRole('button', { name: /Cellar hub/ }));
    expect(screen.getByRole('heading', { name: /^Cellar hub/ })).toBeTruthy();
    expect(screen.queryByText('Add a standing pipe')).toBeNull();
    await user.click(screen.getByRole('button', { name: /all standing pipes/ }));
    expect(screen.getByText('Add a standing pipe')).toBeTruthy();
});

it('adds a pipe with all that was said of it, and chooses it', async () => {
    look([stub]);
    await user.click(screen.getByRole('button', { name: 'Add a standing pipe' }));
    const form = within(await screen.findByRole('dialog'));
    await user.type(form.getByLabelText('What you call it'), ' Wall hub ');
    await user.selectOptions(form.getByLabelText('It ends in'), 'hub');
    await user.type(form.getByLabelText('Where its center is'), 'cellar');
    await user.type(form.getByLabelText('Its center over the mark of the job'), '20 1/2');
    await user.click(form.getByLabelText('It cannot be moved along its axis'));
    await user.click(form.getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(pipes()).toHaveLength(2));
    expect(pipes()[1]).toEqual({
        id: 'pipe-2',
        name: 'Wall hub',
        end: 'hub',
        fixed: false,
        how: 'guessed',
        at: 'cellar',
        level_mm: 520.7,
    });
    await waitFor(() => expect(screen.getByLabelText('address').textContent).toBe('/?pipe=pipe-2'));
});

it('keeps the form open where a level is no length, and changes nothing', async () => {
    look([stub]);
    await user.click(screen.getByRole('button', { name: 'Where it is, how it ends' }));
    const form = within(await screen.findByRole('dialog'));
    await user.type(form.getByLabelText('Its center over the mark of the job'), 'high');
    await user.click(form.getByRole('button', { name: 'Keep' }));
    await form.findByText('“high” is no length.');
    expect(document.activeElement?.id).toBe('pipe-level');
    expect(form.getByLabelText<HTMLInputElement>('Its center over the mark of the job').value).toBe('high');
    expect(kept).toBeNull();
});

it('clears what is emptied in the form, and keeps how the pipe is known', async () => {
    look([{ ...known, how: 'print', at: 'cellar', level_mm: 100 }]);
    await user.click(screen.getByRole('button', { name: 'Where it is, how it ends' }));
    const form = within(await screen.findByRole('dialog'));
    await user.clear(form.getByLabelText('Where its center is'));
    await user.click(form.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(kept).not.toBeNull());
    expect(pipes()[0]).toEqual({ ...known, how: 'print', level_mm: 100 });
});

it('says the evidence in the log as it grows, and takes a candidate at its word', async () => {
    look([stub]);
    await user.click(screen.getByRole('button', { name: 'calliper' }));
    await user.type(screen.getByLabelText('Across it'), '2 3/8{Enter}');
    await user.click(await screen.findByRole('button', { name: 'It is PVC 40' }));
    await screen.findByText('kept as this');
    expect(pipes()[0]).toMatchObject({ system: 'pvc-dwv-40', size: '2', how: 'measured', od_mm: 60.325 });
    expect(said).toHaveLength(1);
    expect(said[0]).toMatchObject({
        kind: 'measured',
        standing: 'p1',
        evidence: { od_mm: 60.325, reading_error_mm: 0.4 },
    });
});

it('says a print once it is typed, and not letter by letter', async () => {
    look([stub]);
    await user.type(screen.getByLabelText('Across it'), '2 3/8{Enter}');
    await waitFor(() => expect(said).toHaveLength(1));
    await user.type(screen.getByLabelText(/print/i), 'DWV');
    expect(said).toHaveLength(1);
    await user.tab();
    expect(said[1]).toMatchObject({ kind: 'measured', standing: 'p1', evidence: { print: 'DWV' } });
});

it('takes no reading by eye for an outside diameter', async () => {
    look([stub]);
    await user.type(screen.getByLabelText('Across it'), '2 3/8{Enter}');
    await user.click(await screen.findByRole('button', { name: 'It is PVC 40' }));
    expect(pipes()[0]).not.toHaveProperty('od_mm');
});

it('is not sure after all at a tap', async () => {
    look([{ ...known, how: 'print' }]);
    await user.click(screen.getByRole('button', { name: 'Undo' }));
    expect(pipes()[0]).toEqual({ ...stub, id: 'p2', name: 'Cellar hub', end: 'hub' });
});

it('frees what tied to a pipe that is taken out', async () => {
    const run = {
        id: 'r1',
        outlet: { what: 'stack', standing: 'p1' },
        tie_in: { what: 'stack', standing: 'p2' },
    } as unknown as JobDocument['runs'][number];
    look([stub, known], { more: { runs: [run] } });
    expect(screen.getByRole('button', { name: /Stub on the stack/ }).textContent).toContain('run 1');
    await user.click(screen.getByRole('button', { name: 'Where it is, how it ends' }));
    await user.click(await screen.findByRole('button', { name: 'Take it out' }));
    expect(pipes().map((pipe) => pipe.id)).toEqual(['p2']);
    expect(kept?.runs[0]?.outlet).toEqual({ what: 'stack', kind: 'socket' });
    expect(kept?.runs[0]?.tie_in).toEqual({ what: 'stack', standing: 'p2' });
});

it('says a weight once it is typed, and not figure by figure', async () => {
    look([stub]);
    await user.type(screen.getByLabelText('Across it'), '2 3/8{Enter}');
    await waitFor(() => expect(said).toHaveLength(1));
    await user.type(screen.getByLabelText(/weight of a loose piece/i), '2.45');
    expect(said).toHaveLength(1);
    await user.tab();
    expect(said[1]).toMatchObject({ kind: 'measured', evidence: { kg_per_m: 2.45 * 1.48816394 } });
});
