import { expect, it } from 'vitest';
import { weatherOf } from './Weather';

it('takes the weather in the units of the job, and says what is none', () => {
    expect(weatherOf('12,5', '', 'mm')).toEqual({ air_c: 12.5 });
    expect(weatherOf('50', '60', 'inch')).toEqual({ air_c: 10, rh_percent: 60 });
    for (const none of ['', 'cold', '300']) expect(weatherOf(none, '60', 'mm')).toMatch(/^How warm/);
    expect(weatherOf('12', '120', 'mm')).toMatch(/^How humid/);
});
