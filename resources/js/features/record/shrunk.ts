import { t } from '@lingui/core/macro';
/** A phone's picture says no more at this width, and goes through a thin line. */
const WIDEST = 1_600;

/** How a picture of one size is made smaller. */
export function smaller(width: number, height: number): { width: number; height: number } {
    const share = Math.min(1, WIDEST / Math.max(width, height, 1));
    return { width: Math.max(1, Math.round(width * share)), height: Math.max(1, Math.round(height * share)) };
}

/** A picture as JPEG of at most 1,600 points; what else is in the file, such as the place, stays on the device. */
export async function shrunk(file: File): Promise<Blob> {
    const picture = await createImageBitmap(file).catch(() => {
        throw new Error(t`${file.name} is no picture that this browser can show.`);
    });
    const canvas = document.createElement('canvas');
    Object.assign(canvas, smaller(picture.width, picture.height));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return new Promise((done, fail) =>
        canvas.toBlob(
            (blob) => (blob ? done(blob) : fail(new Error(t`The picture could not be made smaller.`))),
            'image/jpeg',
            0.85,
        ),
    );
}
