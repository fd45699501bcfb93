<?php

declare(strict_types=1);

namespace App\Log;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Site\EntryFile;
use FallBend\Core\Site\EntryKind;

/**
 * Something that happened on site, as a device says it.
 *
 * @phpstan-import-type Content from EntryFile
 */
final readonly class SiteEvent
{
    /** A device may wait so long until it is within reach. */
    private const MOST_AGE_S = 90 * 86_400;

    /** @param Content $content by kind */
    private function __construct(
        public string $key,
        public EntryKind $kind,
        public array $content,
        public string $madeAt,
        public float $ageS,
    ) {}

    /**
     * Reads `{key, kind, made_at, age_s}` and what an entry of its kind says. `age_s` says how long ago it happened, by
     * the device's own clock from then to now: whatever that clock shows.
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields): self
    {
        $key = $fields->string('key', 80);
        if (preg_match('/^[A-Za-z0-9_-]{8,80}\z/', $key) !== 1) {
            throw BadInput::at($fields->at('key'), 'must be 8 to 80 letters, digits, hyphens', $key);
        }
        $kind = $fields->enum('kind', EntryKind::class);
        $event = new self(
            $key,
            $kind,
            EntryFile::read($kind, $fields),
            $fields->string('made_at', 40),
            $fields->number('age_s', 0, self::MOST_AGE_S),
        );
        $fields->end();

        return $event;
    }

    /**
     * Something that a document said: which device said it when nobody knows.
     *
     * @param Content $content
     */
    public static function moved(string $key, EntryKind $kind, array $content, float $ageS): self
    {
        return new self($key, $kind, $content, '', $ageS);
    }

    /**
     * Gives what it says, as it is kept.
     *
     * @param array{revision?: int, document?: string} $added by the server
     */
    public function text(array $added = []): string
    {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

        return json_encode($this->content + $added, $flags);
    }
}
