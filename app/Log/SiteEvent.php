<?php

declare(strict_types=1);

namespace App\Log;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * Something that happened on site, as a device says it: a joint was tried dry or made, a note, or an entry before was
 * wrong.
 *
 * @phpstan-type Content array{run?: string, joint?: int, note?: string, entry?: int}
 */
final readonly class SiteEvent
{
    public const KINDS = ['dry-fit', 'joint', 'note', 'taken-back'];

    /** A device may wait so long until it is within reach. */
    private const MOST_AGE_S = 90 * 86_400;

    /** @param Content $content by kind */
    private function __construct(
        public string $key,
        public string $kind,
        public array $content,
        public string $madeAt,
        public float $ageS,
    ) {}

    /**
     * Reads `{key, kind, made_at, age_s, run?, joint?, note?, entry?}`. `age_s` says how long ago it happened, by the
     * device's own clock from then to now: whatever that clock shows.
     *
     * @throws BadInput at the field that is wrong
     */
    public static function read(Fields $fields): self
    {
        $key = $fields->string('key', 80);
        if (preg_match('/^[A-Za-z0-9_-]{8,80}\z/', $key) !== 1) {
            throw BadInput::at($fields->at('key'), 'must be 8 to 80 letters, digits, hyphens', $key);
        }
        $kind = $fields->choice('kind', self::KINDS);
        $content = match ($kind) {
            'dry-fit', 'joint' => ['run' => $fields->string('run', 40), 'joint' => $fields->int('joint', 1, 1_000_000)],
            'taken-back' => ['entry' => $fields->int('entry', 1, 1_000_000_000)],
            default => [],
        };
        $note = trim($fields->stringOr('note', '', 2_000));
        if ($kind === 'note' && $note === '') {
            throw BadInput::at($fields->at('note'), 'must not be empty', $note);
        }
        $event = new self(
            $key,
            $kind,
            $content + ($note === '' ? [] : ['note' => $note]),
            $fields->string('made_at', 40),
            $fields->number('age_s', 0, self::MOST_AGE_S),
        );
        $fields->end();

        return $event;
    }

    /** Gives what it says, as it is kept. */
    public function text(): string
    {
        return json_encode($this->content, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
