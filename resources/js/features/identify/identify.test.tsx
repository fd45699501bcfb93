// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { http, HttpResponse } from 'msw';
import { useState } from 'react';
import { beforeEach, expect, it } from 'vitest';
import type { IdentifyInput, IdentifyOutput } from '../../api/types';
import { identified } from '../../testing/answers';
import { lengthsRead, refused, show, standInServer } from '../../testing/screen';
import { EMPTY, type Evidence } from './evidence';
import { IdentifyPanel } from './IdentifyPanel';

const server = standInServer();
const user = userEvent.setup();
let asked: IdentifyInput[] = [];

/** Answers every question alike, and keeps what was asked. */
function answers(answer: IdentifyOutput): void {
    server.use(
        lengthsRead,
        http.post('/api/reckon/identify', async ({ request }) => {
            asked.push((await request.json()) as IdentifyInput);
            return HttpResponse.json(answer);
        }),
    );
}

beforeEach(() => {
    asked = [];
});

function Panel({ start = EMPTY('inch') }: { start?: Evidence }) {
    const [evidence, setEvidence] = useState(start);
    return (
        <IdentifyPanel
            evidence={evidence}
            onChange={setEvidence}
            units="inch"
            actions={(candidate) => <button type="button">It is {candidate.short}</button>}
        />
    );
}

const reading = (): HTMLInputElement => screen.getByLabelText('Across it');

it('asks nothing before anything was measured', async () => {
    answers(identified());
    show(<Panel />);
    await user.click(screen.getByRole('button', { name: 'white' }));
    expect(screen.getByText(/Say how wide it is/)).toBeTruthy();
    expect(asked).toEqual([]);
});

it('weighs the catalogue against a reading, and says why the likeliest is it', async () => {
    answers(identified());
    show(<Panel />);
    await user.type(reading(), '2 3/8{Enter}');
    await screen.findByText('It measures 60.3 mm across.');
    expect(asked.at(-1)).toMatchObject({ od_mm: 60.325, reading_error_mm: 3.175, region: 'us', units: 'inch' });
    expect(screen.getByRole('button', { name: 'It is PVC 40' })).toBeTruthy();
    expect(screen.getByText('Or ABS 40, 21 of 100')).toBeTruthy();
    const lanes = within(screen.getByRole('img', { name: 'Candidates on the scale of the tape' }));
    expect(lanes.getByText('78')).toBeTruthy();
    expect(lanes.getByText('too wide')).toBeTruthy();
});

it('marks what is no length where it was typed, and asks nothing with it', async () => {
    answers(identified());
    show(<Panel />);
    await user.type(reading(), 'wide{Enter}');
    await screen.findByText('“wide” is no length.');
    expect(reading().value).toBe('wide');
    expect(asked).toEqual([]);
    await user.clear(reading());
    await user.type(reading(), '0{Enter}');
    await screen.findByText('must be more than nothing');
});

it('takes what is seen to the question, and takes it back at a second tap', async () => {
    answers(identified());
    show(<Panel start={{ ...EMPTY('inch'), mm: 60.3 }} />);
    await user.click(screen.getByRole('button', { name: 'black' }));
    await user.click(screen.getByRole('button', { name: 'does not' }));
    await user.type(screen.getByLabelText('Print on it'), 'ABS');
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ colour: 'black', magnet: false, print: 'ABS' }));
    await user.click(screen.getByRole('button', { name: 'black' }));
    await user.click(screen.getByRole('button', { name: 'UK' }));
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ region: 'uk' }));
    expect(asked.at(-1)).not.toHaveProperty('colour');
});

it('wants it measured anew with a string, and asks with the way round it', async () => {
    answers(identified());
    show(<Panel start={{ ...EMPTY('inch'), mm: 60.3 }} />);
    await user.click(screen.getByRole('button', { name: 'string round it' }));
    await user.type(screen.getByLabelText('String round it'), '7 1/2{Enter}');
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ circumference_mm: 190.5 }));
    expect(asked.at(-1)).not.toHaveProperty('od_mm');
});

it('puts the answer of the next check to the evidence', async () => {
    answers(identified());
    show(<Panel start={{ ...EMPTY('inch'), mm: 60.3 }} />);
    await screen.findByText('Next check: its colour');
    await user.click(screen.getByRole('button', { name: /^White all through/ }));
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ colour: 'white' }));
});

it('warns to buy nothing while it is not known, and not once it is', async () => {
    answers(identified());
    const { unmount } = show(<Panel start={{ ...EMPTY('inch'), mm: 60.3 }} />);
    await screen.findByText(/Buy\s+nothing on a likelihood/);
    unmount();
    const [first] = identified().candidates;
    if (!first) throw new Error('The sample has a candidate.');
    answers(identified({ candidates: [{ ...first, likelihood: 0.97 }], next_check: null }));
    show(<Panel start={{ ...EMPTY('inch'), mm: 60.3, colour: 'white' }} />);
    await screen.findByText('No further check needed');
    expect(screen.queryByText(/nothing on a likelihood/)).toBeNull();
});

it('says when none of the catalogue fits, and why to stop', async () => {
    const none = {
        likelihood: 0.9,
        is_likeliest: true,
        say: 'No pipe here is so wide.',
        stop: 'It may hold asbestos.',
        may_be: [{ id: 'lead', name: 'lead', looks: 'Dull and soft.', stops: true }],
    };
    answers(identified({ candidates: [], none, next_check: null }));
    show(<Panel start={{ ...EMPTY('inch'), mm: 60.3 }} />);
    expect((await screen.findByRole('alert')).textContent).toContain('It may hold asbestos.');
    expect(screen.getByLabelText('Other pipes that look like it').textContent).toBe('lead: Dull and soft.');
    expect(screen.getAllByText('No pipe here is so wide.').length).toBeGreaterThan(0);
});

it('says what was wrong with the question', async () => {
    server.use(
        lengthsRead,
        http.post('/api/reckon/identify', () => refused('od_mm', 'is wider than any pipe')),
    );
    show(<Panel start={{ ...EMPTY('inch'), mm: 6030 }} />);
    expect((await screen.findByRole('alert')).textContent).toContain('is wider than any pipe');
});

it('asks with the weight of a loose piece, in kg per m, and says where it is no number', async () => {
    answers(identified());
    show(<Panel start={{ ...EMPTY('inch'), mm: 60.3 }} />);
    const weight = screen.getByLabelText<HTMLInputElement>(/Weight of a loose piece, lb per ft/);
    await user.type(weight, '3.5');
    await waitFor(() => expect(asked.at(-1)).toMatchObject({ kg_per_m: 3.5 * 1.48816394 }));
    await user.clear(weight);
    await user.type(weight, 'heavy');
    await screen.findByText('Give the weight as a number, such as 3.6.');
    expect(weight.value).toBe('heavy');
    await user.click(screen.getByRole('button', { name: 'black' }));
    await waitFor(() => expect(asked.at(-1)).toHaveProperty('colour'));
    expect(asked.at(-1)).not.toHaveProperty('kg_per_m');
});
