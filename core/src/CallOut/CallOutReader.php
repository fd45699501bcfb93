<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;
use FallBend\Core\Measure\Units;

/**
 * Reads a whole call-out line: phrases between slashes that stand free, semicolons, or line breaks. Never fails, and
 * never loses a word.
 */
final readonly class CallOutReader
{
    /** @param list<string> $sizes of the pipe system */
    public function __construct(private Units $units, private array $sizes) {}

    /** @return list<Phrase> an empty line has none */
    public function read(string $text): array
    {
        $reader = new PhraseReader($this->units, $this->sizes);
        $parts = preg_split('~(?:\s+/(?=\s|$)|[;\n\r]+)~u', $text, -1, PREG_SPLIT_OFFSET_CAPTURE);
        $parts = $parts === false ? [] : $parts;
        $phrases = [];
        foreach ($parts as $i => [$part, $bytes]) {
            // A slash at the end waits for the next leg.
            if (trim($part) === '' && $i === count($parts) - 1) {
                continue;
            }
            $phrases[] = $reader->read($part, mb_strlen(substr($text, 0, $bytes)));
        }

        return self::sized($phrases);
    }

    /**
     * A fitting of two sizes says that of the leg before it as well.
     *
     * @param list<Phrase> $phrases
     * @return list<Phrase>
     */
    public static function sized(array $phrases): array
    {
        foreach ($phrases as $i => $phrase) {
            $size = $phrase->sizeBefore;
            $before = $phrases[$i - 1] ?? null;
            if ($size === null || $phrase->unread !== []) {
                continue;
            }
            if ($before === null) {
                $phrases[$i] = $phrase->refused(PhraseReader::CLOSET_BEND);
            } elseif ($before->leg->size !== null && $before->leg->size !== $size) {
                $phrases[$i] = $phrase->refused("The leg before it is said to be of size {$before->leg->size}.");
            } else {
                $phrases[$i - 1] = $before->ofSize($size);
            }
        }

        return $phrases;
    }

    /**
     * Puts the legs of a line into a run. Legs that say the same as before keep their ids and so their letters; so do
     * legs
     * that were changed in place.
     *
     * @throws BadInput if there are more legs than a run can have
     */
    public function apply(Run $run, string $text): Run
    {
        return self::put($run, $this->read($text));
    }

    /**
     * The same with phrases that were read already.
     *
     * @param list<Phrase> $phrases
     *
     * @throws BadInput if there are more legs than a run can have
     */
    public static function put(Run $run, array $phrases): Run
    {
        $legs = array_map(static fn (Phrase $phrase): Leg => $phrase->leg, $phrases);
        if (count($legs) > Run::MOST_LEGS) {
            throw BadInput::at(
                'call_out.text',
                'has more than '.Run::MOST_LEGS.' legs: part it in two runs',
                count($legs),
            );
        }
        [$matched, $next] = LegMatcher::match($run->legs, $legs, $run->nextLeg);

        return $run->withLegs($matched, $next);
    }
}
