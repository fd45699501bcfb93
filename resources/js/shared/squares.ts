import qrcode from 'qrcode-generator';

/** A text as a code of squares that a camera reads: rows of 0 and 1, without the light around it. */
export function squaresOf(text: string): string[] {
    const code = qrcode(0, 'M');
    code.addData(text, 'Byte');
    code.make();
    const count = code.getModuleCount();
    return Array.from({ length: count }, (_, row) =>
        Array.from({ length: count }, (_, column) => (code.isDark(row, column) ? '1' : '0')).join(''),
    );
}
