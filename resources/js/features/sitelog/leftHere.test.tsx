// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { waitingOf } from '../../editing';
import { LeftHere } from './LeftHere';

const saved = vi.hoisted(() => vi.fn());
vi.mock('../../shared/saveFile', () => ({ saveFile: saved }));

afterEach(() => {
    cleanup();
    localStorage.clear();
});

it('saves what a job out of reach left on the device as a file, and lets it go only after that', async () => {
    const user = userEvent.setup();
    const at = Date.parse('2026-12-01T08:00:00Z');
    const waiting = waitingOf(localStorage, 'j');
    waiting.add([
        { kind: 'note', note: 'The stub is oval.', key: 'a', at, by: 'me' },
        { kind: 'note', note: 'of another', key: 'b', at, by: 'other' },
    ]);
    render(<LeftHere job="j" by="me" />);
    expect(screen.getByText(/An entry of this job that you made here was not sent yet/)).toBeTruthy();
    expect(screen.queryByText('Let them go here')).toBeNull();
    await user.click(screen.getByText('Save them as a file, to hand over'));
    const [file] = saved.mock.calls[0] as [Blob];
    const text = await new Promise((done) => {
        const reader = new FileReader();
        reader.onload = () => done(reader.result);
        reader.readAsText(file);
    });
    expect(JSON.parse(String(text))).toEqual({
        format: 'fall-bend-site-entries',
        job: 'j',
        by: 'me',
        entries: [
            {
                made_at: '2026-12-01T08:00:00.000Z',
                kind: 'note',
                note: 'The stub is oval.',
                key: 'a',
                in_words: 'a note: The stub is oval.',
            },
        ],
    });
    await user.click(screen.getByText('Let them go here'));
    expect(screen.queryByText(/not sent yet/)).toBeNull();
    expect(waiting.read().pending.map((one) => one.key)).toEqual(['b']);
});
