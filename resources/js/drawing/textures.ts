const TEXTURES: Record<string, string> = {
    pvc: 'pvc',
    'pvc-u': 'pvc',
    cpvc: 'pvc',
    abs: 'abs',
    'abs-uk': 'abs',
    pp: 'pp',
    'plastic-tube': 'pp',
    iron: 'ci',
    clay: 'clay',
    copper: 'copper',
    brass: 'copper',
    steel: 'steel',
    rubber: 'rub',
};

/** The name of the texture that a material of the catalogue is drawn in. */
export const textureOf = (material: string): string => TEXTURES[material] ?? 'unknown';
