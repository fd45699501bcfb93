import { expect, it } from 'vitest';
import { smaller } from './shrunk';

it('makes a picture no wider and no higher than 1,600, in its own shape, and never larger', () => {
    expect(smaller(4000, 3000)).toEqual({ width: 1600, height: 1200 });
    expect(smaller(3000, 4000)).toEqual({ width: 1200, height: 1600 });
    expect(smaller(640, 480)).toEqual({ width: 640, height: 480 });
    expect(smaller(9000, 1)).toEqual({ width: 1600, height: 1 });
});
