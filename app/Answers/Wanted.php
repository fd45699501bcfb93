<?php

declare(strict_types=1);

namespace App\Answers;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Report\JobParts;
use Illuminate\Http\Request;

/** The parts of an evaluated job that whoever asks shows on a screen, with the hash of those that they have already. */
final readonly class Wanted
{
    private const MOST = 5_000;

    /** @param array<string, string> $hashes by name; empty: they do not have it */
    private function __construct(public array $hashes) {}

    /**
     * Reads `want`, an object of hashes by the names of parts; of an address, the names with commas between. Null where
     * nobody says
     * what is wanted: then all of it is.
     *
     * @throws BadInput if a name or a hash is none
     */
    public static function of(Request $request): ?self
    {
        $want = $request->isMethod('GET') ? $request->query('want') : $request->json('want');
        if ($want === null) {
            return null;
        }
        if (is_string($want)) {
            $want = array_fill_keys($want === '' ? [] : explode(',', $want), '');
        }
        $fields = Fields::of($want, 'want');
        $hashes = [];
        foreach ($fields->keys(self::MOST) as $name) {
            $isName =
                in_array($name, [...JobParts::WHOLE, JobParts::EVERY_RUN], true) ||
                preg_match('/^(run|cut):[a-z0-9-]{1,40}\z/', $name) === 1;
            $hashes[$name] = $isName
                ? $fields->stringOr($name, '', 16)
                : throw BadInput::at($fields->at($name), 'is no part of a job');
        }

        return new self($hashes);
    }

    /** That no part is wanted. */
    public static function nothing(): self
    {
        return new self([]);
    }

    /** Which parts are wanted, if any: a body that is read strictly has been asked for it. */
    public static function named(Fields $body): void
    {
        $body->has('want');
    }
}
