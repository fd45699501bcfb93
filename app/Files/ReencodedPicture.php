<?php

declare(strict_types=1);

namespace App\Files;

use FallBend\Core\Input\BadInput;
use GdImage;

/**
 * A picture as it is kept: drawn anew from what was sent, so that nothing of the file goes along but what is seen.
 * Where it was taken, with which device, and whatever was hung on behind, stays out; what was on its side is upright.
 */
final readonly class ReencodedPicture
{
    private const MOST_BYTES = 3_000_000;

    /** Ten megapixels take fifty megabytes to draw. */
    private const MOST_PIXELS = 10_000_000;

    private const QUALITY = 85;

    /** Degrees to the left by what a camera says of how it was held (EXIF, Orientation). */
    private const TURNS = [3 => 180, 6 => 270, 8 => 90];

    private function __construct(public string $type, public string $bytes) {}

    /** @throws BadInput if it is no picture, or too large */
    public static function of(string $sent): self
    {
        if (strlen($sent) > self::MOST_BYTES) {
            throw BadInput::at('', 'is larger than 3 MB: send it smaller', null);
        }
        $size = @getimagesizefromstring($sent);
        $isKnown = $size !== false && in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG], true);
        if (! $isKnown) {
            throw BadInput::at('', 'is no picture, JPEG or PNG', null);
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw BadInput::at('', 'has more than 10 megapixels: send it smaller', null);
        }
        $drawn = @imagecreatefromstring($sent);
        if ($drawn === false) {
            throw BadInput::at('', 'is no whole picture', null);
        }

        return $size[2] === IMAGETYPE_JPEG ? self::jpeg(self::upright($drawn, $sent)) : self::png($drawn);
    }

    private static function jpeg(GdImage $drawn): self
    {
        return new self('image/jpeg', self::written(static fn (): bool => imagejpeg($drawn, null, self::QUALITY)));
    }

    private static function png(GdImage $drawn): self
    {
        imagesavealpha($drawn, true);

        return new self('image/png', self::written(static fn (): bool => imagepng($drawn, null, 9)));
    }

    private static function upright(GdImage $drawn, string $sent): GdImage
    {
        $said = @exif_read_data('data://image/jpeg;base64,'.base64_encode($sent));
        $held = is_array($said) && is_int($said['Orientation'] ?? null) ? $said['Orientation'] : 1;
        $turned = isset(self::TURNS[$held]) ? imagerotate($drawn, self::TURNS[$held], 0) : $drawn;

        return $turned === false ? $drawn : $turned;
    }

    /** @param callable(): bool $write what writes to the output */
    private static function written(callable $write): string
    {
        ob_start();
        $write();

        return (string) ob_get_clean();
    }
}
