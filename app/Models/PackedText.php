<?php

declare(strict_types=1);

namespace App\Models;

use FallBend\Core\Input\BadInput;
use RuntimeException;

/**
 * A text put down small: as what stands in it between its beginning and its end, where it has those in common with an
 * earlier one,
 * and compressed with that one's middle as its dictionary (RFC 1951). What is unpacked is compared with a checksum.
 */
final class PackedText
{
    /** The dictionary of a compressed text is at most so long. */
    private const WINDOW = 32_768;

    /**
     * How many bytes stand before what is compressed: checksum, length of the common beginning, and of the common end.
     */
    private const HEAD = 12;

    /** @param string $base the earlier text; empty: there is none */
    public static function pack(string $text, string $base = ''): string
    {
        $begin = self::common($text, $base);
        $end = self::common(strrev(substr($text, $begin)), strrev(substr($base, $begin)));
        $middle = substr($text, $begin, strlen($text) - $begin - $end);
        $context = deflate_init(ZLIB_ENCODING_RAW, ['level' => 9] + self::dictionary($base, $begin, $end));
        $packed = $context === false ? false : deflate_add($context, $middle, ZLIB_FINISH);
        if ($packed === false) {
            throw new RuntimeException('The text cannot be compressed.');
        }

        return hash('crc32b', $text, true).pack('NN', $begin, $end).$packed;
    }

    /**
     * @param string $base the earlier text that it was packed with
     *
     * @throws BadInput if what was put down is damaged, or was packed with another text
     */
    public static function unpack(string $packed, string $base = ''): string
    {
        $head = strlen($packed) > self::HEAD ? unpack('Nbegin/Nend', $packed, 4) : false;
        if ($head === false) {
            throw BadInput::at('', 'What was stored of this state is cut short.');
        }
        /** @var array{begin: int, end: int} $head */
        [$begin, $end] = [$head['begin'], $head['end']];
        $context = inflate_init(ZLIB_ENCODING_RAW, self::dictionary($base, $begin, $end));
        $middle = $context === false ? false : @inflate_add($context, substr($packed, self::HEAD), ZLIB_FINISH);
        $text = $middle === false ? '' : substr($base, 0, $begin).$middle.($end === 0 ? '' : substr($base, -$end));
        if (hash('crc32b', $text, true) !== substr($packed, 0, 4)) {
            throw BadInput::at('', 'What was stored of this state is damaged.');
        }

        return $text;
    }

    /** Gives how many bytes two texts begin with in common. */
    private static function common(string $one, string $other): int
    {
        $most = min(strlen($one), strlen($other));

        // Equal bytes are zero in the difference.
        return $most === 0 ? 0 : strspn(substr($one, 0, $most) ^ substr($other, 0, $most), "\0");
    }

    /** @return array{dictionary?: string} of the part of the earlier text that is not common */
    private static function dictionary(string $base, int $begin, int $end): array
    {
        $middle = substr(substr($base, $begin, strlen($base) - $begin - $end), -self::WINDOW);

        return $middle === '' ? [] : ['dictionary' => $middle];
    }
}
