// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { Evaluation, JobDocument } from '../../api/types';
import { source } from '../../testing/answers';
import { Edited, emptyJob, show, standInServer } from '../../testing/screen';
import { Building } from './Building';

standInServer();

const asked = (...facts: Evaluation['building'][number]['fact'][]): Evaluation['building'] =>
    facts.map((fact) => ({ fact, source: source(`clause of ${fact}`) }));

function shown(building: Evaluation['building'], document = emptyJob()): JobDocument[] {
    const kept: JobDocument[] = [];
    show(
        <Edited document={document} evaluation={{ building }} onDocument={(now) => kept.push(now)}>
            {(editor) => <Building editor={editor} />}
        </Edited>,
    );
    return kept;
}

it('asks what the book asks, keeps what is said in its units, and says how much is open', async () => {
    const user = userEvent.setup();
    const kept = shown(asked('one_family', 'coldest_c', 'storeys'));
    expect(await screen.findByText('3 not said')).toBeTruthy();
    await user.selectOptions(screen.getByLabelText('It is the house of one family'), 'no');
    await user.type(screen.getByLabelText('Design temperature of the heating (°F)'), '-13');
    await user.type(screen.getByLabelText('Stories'), '4');
    await user.click(screen.getByRole('button', { name: 'It is so' }));
    expect(await screen.findByText('0 not said')).toBeTruthy();
    expect(kept.at(-1)?.building).toEqual({ one_family: false, coldest_c: -25, storeys: 4 });
});

it('keeps nothing of a number that is none, and leaves what was typed', async () => {
    const user = userEvent.setup();
    const kept = shown(asked('coldest_c', 'storeys'));
    await user.type(await screen.findByLabelText('Stories'), 'two');
    await user.click(screen.getByRole('button', { name: 'It is so' }));
    expect(await screen.findByRole('alert')).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Stories').value).toBe('two');
    expect(kept).toEqual([]);
});

it('takes back what was said, and keeps what another book asks for', async () => {
    const user = userEvent.setup();
    const said = { ...emptyJob(), building: { storeys: 3, whole: true } };
    const kept = shown(asked('storeys'), said);
    await user.clear(await screen.findByLabelText('Stories'));
    await user.click(screen.getByRole('button', { name: 'It is so' }));
    expect(await screen.findByText('1 not said')).toBeTruthy();
    expect(kept.at(-1)?.building).toEqual({ whole: true });
});
