// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { HoursRow, JobDocument } from '../../api/types';
import { source } from '../../testing/answers';
import { Edited, emptyJob, show, standInServer } from '../../testing/screen';
import { Hours } from './Hours';

standInServer();

const rows: HoursRow[] = [
    { id: 'cut', what: 'cutting a piece', count: 10, minutes_each: 6, minutes: 60, note: '', source: source('cut') },
    { id: 'test', what: 'a test', count: 1, minutes_each: 45, minutes: 45, note: '', source: source('test') },
];

it('reckons what the work costs, and keeps the minutes that the crew says in the job', async () => {
    const user = userEvent.setup();
    let kept: JobDocument | null = null;
    show(
        <Edited document={emptyJob()} evaluation={{}} onDocument={(document) => (kept = document)}>
            {(editor) => <Hours editor={editor} rows={rows} parts={100} />}
        </Edited>,
    );
    await user.click(await screen.findByText('Hours, roughly: 1 h 45 min for one'));
    await user.type(screen.getByLabelText('What an hour of work costs'), '80');
    await user.tab();
    // 105 min at 80 an hour are 140, and 100 for the parts.
    expect(await screen.findByText('140.00')).toBeTruthy();
    expect(screen.getByText('240.00')).toBeTruthy();
    await user.clear(screen.getByLabelText('Minutes for one: cutting a piece'));
    await user.type(screen.getByLabelText('Minutes for one: cutting a piece'), '4');
    await user.tab();
    expect(kept).toMatchObject({
        prices: [{ what: 'an hour of work', each: 80 }],
        overrides: { catalogue: [{ table: 'hours', row: 'cut', field: 'value', value: 4 }] },
    });
    // Nothing is kept where nothing is said.
    await user.clear(screen.getByLabelText('Minutes for one: cutting a piece'));
    await user.tab();
    expect((kept as JobDocument | null)?.overrides?.catalogue).toEqual([]);
});

it('says a part of a minute under two hours as two hours', async () => {
    const almost = { ...rows[0]!, minutes_each: 11.96, minutes: 119.6 };
    show(
        <Edited document={emptyJob()} evaluation={{}} onDocument={() => undefined}>
            {(editor) => <Hours editor={editor} rows={[almost]} parts={null} />}
        </Edited>,
    );
    expect(await screen.findByText('Hours, roughly: 2 h for one')).toBeTruthy();
});
