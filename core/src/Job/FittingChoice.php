<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** The bend, or the pair of bends rolled against each other, that the user wants for a turn. */
final readonly class FittingChoice
{
    public const PATTERNS = [
        'sixteenth',
        'eighth',
        'sixth',
        'quarter',
        'long-sweep',
        'short-sweep',
        'knuckle',
        'swept',
        'twelfth',
        'twenty-fourth',
        self::CLOSET,
    ];

    /** A quarter bend that goes on in a smaller size; by itself only. */
    public const CLOSET = 'closet';

    /** @param non-empty-list<string> $patterns one pattern, or two for a pair */
    private function __construct(public array $patterns, public bool $isClose) {}

    /**
     * @param non-empty-list<string> $patterns one or two of PATTERNS
     * @param bool $isClose the second of a pair is a street bend that stands in the first
     */
    public static function of(array $patterns, bool $isClose = false): self
    {
        return new self($patterns, $isClose && count($patterns) === 2);
    }

    /** Whether it is a closet bend. */
    public function isClosetBend(): bool
    {
        return $this->patterns === [self::CLOSET];
    }

    /** @throws BadInput */
    public static function read(Fields $fields): self
    {
        $patterns = [];
        foreach ($fields->list('patterns', 2) as $i => $pattern) {
            if (! is_string($pattern) || ! in_array($pattern, self::PATTERNS, true)) {
                throw BadInput::at(
                    $fields->at("patterns.{$i}"),
                    'must be one of '.implode(', ', self::PATTERNS),
                    $pattern,
                );
            }
            $patterns[] = $pattern;
        }
        if ($patterns === []) {
            throw BadInput::at($fields->at('patterns'), 'must name one bend, or two');
        }
        if (count($patterns) > 1 && in_array(self::CLOSET, $patterns, true)) {
            throw BadInput::at($fields->at('patterns'), 'takes a closet bend by itself only');
        }
        $choice = self::of($patterns, $fields->bool('close', false));
        $fields->end();

        return $choice;
    }

    /** @return array{patterns: non-empty-list<string>, close?: true} */
    public function toArray(): array
    {
        return ['patterns' => $this->patterns] + ($this->isClose ? ['close' => true] : []);
    }
}
