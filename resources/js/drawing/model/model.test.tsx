// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { show, standInServer } from '../../testing/screen';
import { evaluatedJob } from '../section/testRuns';
import { IsoOrModel } from './IsoOrModel';

standInServer();

it('shows the isometric first, and says so where the browser draws no models', async () => {
    const user = userEvent.setup();
    // Here is no WebGL.
    HTMLCanvasElement.prototype.getContext = () => null;
    show(
        <IsoOrModel
            evaluation={evaluatedJob('mill-row-pottery').evaluation}
            runs={['glaze']}
            name="Glaze sink"
            selected={null}
            onPick={() => undefined}
        >
            <p>the isometric</p>
        </IsoOrModel>,
    );
    expect(screen.getByText('the isometric')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Model to turn' }));
    await screen.findByText(/This browser draws no models/, {}, { timeout: 20_000 });
    await user.click(screen.getByRole('button', { name: 'Isometric' }));
    expect(screen.getByText('the isometric')).toBeTruthy();
});
