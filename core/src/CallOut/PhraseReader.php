<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\FittingChoice;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\LegFile;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Typography;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;

/**
 * Reads one phrase: `54 1/2 right at 1/4 per foot`, `down 14`, `left 45° 3' 8 drop 2`,
 * `on 1' 10 to stop with long sweep size 3 "to the stack"`.
 * The parts may stand in any order. Whatever is not understood, or said twice, is marked where it stands and makes the
 * phrase unread.
 *
 * @phpstan-type SaidLeg array{
 *     way?: Way,
 *     turn?: float,
 *     length?: Length,
 *     measured?: bool,
 *     fall?: float,
 *     drop?: Length,
 *     size?: string,
 *     fitting?: FittingChoice,
 *     close?: bool,
 *     what?: string,
 *     takes?: string,
 * }
 */
final class PhraseReader
{
    /** What is said of a closet bend where no leg comes into it. */
    public const CLOSET_BEND = 'A closet bend stands between two legs. Say the one that comes down first: down 12 / '.
        'east 60 with a closet bend 4x3.';

    /** What the fields of a leg are called where one of them cannot be kept. */
    private const FIELDS = [
        'length_mm' => 'The length in mm',
        'drop_mm' => 'The drop in mm',
        'fall_mm_per_m' => 'The fall in mm per m',
        'turn_deg' => 'The turn in degrees',
        'size' => 'The size',
        'what' => 'The name',
    ];

    private string $rest = '';

    private int $at = 0;

    /** @var array<string, mixed> */
    private array $said = [];

    /** @var list<Unread> */
    private array $unread = [];

    /** Of a fitting of two sizes the size of the leg before. */
    private ?string $sizeBefore = null;

    private readonly TapeReader $tape;

    /** @param list<string> $sizes of the pipe system */
    public function __construct(private readonly Units $units, private readonly array $sizes)
    {
        $this->tape = new TapeReader($units);
    }

    /**
     * @param string $text one phrase
     * @param int $offset where it begins in the whole line, in characters
     * @return Phrase its leg has no id yet
     */
    public function read(string $text, int $offset): Phrase
    {
        [$this->rest, $this->at, $this->said, $this->unread, $this->sizeBefore] = [
            mb_strtolower(Typography::plainMarks($text)),
            $offset,
            [],
            [],
            null,
        ];
        while (($this->rest = $this->skipBlank()) !== '') {
            $understood =
                $this->name($text, $offset) ||
                $this->takes() ||
                $this->fall() ||
                $this->drop() ||
                $this->way() ||
                $this->notOfALeg() ||
                $this->closetBend() ||
                $this->fitting() ||
                $this->measured() ||
                $this->size() ||
                $this->close() ||
                $this->length();
            if (! $understood) {
                $this->skipWord();
            }
        }
        $leg = $this->leg($text, $offset);
        $this->refuseWhatCannotBeKept($leg, $text, $offset);
        $unread = $this->complaints();

        return new Phrase(
            $text,
            $offset,
            $unread === [] ? $leg : new Leg('', unread: trim($text)),
            $unread,
            $this->sizeBefore,
        );
    }

    private function skipBlank(): string
    {
        if (preg_match('/^(?:[\s,.]+|(?:then|and|go|of|for|to the|turn|turns)(?=\s|$))+/u', $this->rest, $m) === 1) {
            $this->take($m[0]);
        }

        return $this->rest;
    }

    private function name(string $text, int $offset): bool
    {
        if (preg_match('/^"([^"]{1,80})"/u', $this->rest, $m) !== 1) {
            return false;
        }
        $name = mb_substr($text, $this->at - $offset + 1, mb_strlen($m[1]));

        return $this->take($m[0], 'what', static fn (): string => trim($name));
    }

    private function fall(): bool
    {
        $number = Words::FRACTION.'|'.Words::NUMBER;
        $lead = '(?:at|falling|falls|fall|slope|with a fall of)\s+(?:about\s+)?';
        $perFoot = '\s*(?:"(?!\w)|in\b|inch\b|inches\b)?\s*(?:per|a|to the|\/)\s*(?:foot|ft)\b';
        $patterns = [
            '/^(?:'.$lead.')?(?<v>'.$number.')'.$perFoot.'/u' => fn (string $v): float => $this->inPerFt($v),
            '/^(?:'.
            $lead.
            ')?(?<v>'.
            Words::NUMBER.
            ')\s*(?:mm\s*(?:per|a|\/)\s*m(?:etre|eter)?\b|‰)/u' => static fn (string $v): float => self::float($v),
            '/^(?:'.$lead.')?(?<v>'.Words::NUMBER.')\s*(?:%|percent\b)/u' => static fn (
                string $v,
            ): float => self::float($v) * 10,
            '/^(?:'.$lead.')?1\s*:\s*(?<v>'.Words::NUMBER.')/u' => static fn (string $v): float => self::inverse(
                $v,
            ),
            '/^'.$lead.'1\s+in\s+(?<v>'.Words::NUMBER.')/u' => static fn (string $v): float => self::inverse($v),
            '/^'.$lead.'(?<v>'.$number.')(?:\s*(?:"(?!\w)|in\b))?/u' => fn (string $v): float => $this->units ===
            Units::Inch
                ? $this->inPerFt($v)
                : self::float($v),
            '/^(?<v>level)\b/u' => static fn (string $v): float => 0.0,
        ];
        foreach ($patterns as $pattern => $value) {
            if (preg_match($pattern, $this->rest, $m) === 1) {
                return $this->take($m[0], 'fall', static fn (): float => $value($m['v']));
            }
        }

        return false;
    }

    /** `the rest` of the levelled difference, or a share of it. */
    private function takes(): bool
    {
        if (
            preg_match(
                '/^(?:(?<share>(?:fall\s+)?shared|share the fall)|(?:the\s+)?rest)(?=\s|$)/u',
                $this->rest,
                $m,
            ) !== 1
        ) {
            return false;
        }

        return $this->take($m[0], 'takes', static fn (): string => ($m['share'] ?? '') !== '' ? 'share' : 'rest');
    }

    private function drop(): bool
    {
        if (
            preg_match('/^(dropping|drops|drop|rising|rises|rise)\s+('.Words::length().')/u', $this->rest, $m) !== 1
        ) {
            return false;
        }
        $rises = str_starts_with($m[1], 'ris');

        return $this->take(
            $m[0],
            'drop',
            fn (): Length => $rises ? $this->tape->read($m[2])->negated() : $this->tape->read($m[2]),
        );
    }

    private function way(): bool
    {
        if (preg_match('/^('.Words::ways().')\b/u', $this->rest, $m) !== 1) {
            return false;
        }
        $way = Words::WAYS[(string) preg_replace('/\s+/', ' ', $m[1])];
        $this->take($m[0], 'way', static fn (): Way => $way);
        if ($way->takesAngle()) {
            $this->angle();
        }

        return true;
    }

    /** An angle has its mark, or is one of the common ones with a length still to come. */
    private function angle(): void
    {
        $marked = '/^\s*(?<v>22\s+1\/2|'.Words::NUMBER.')\s*(?:°|degrees?\b|deg\b)/u';
        $bare = '/^\s*(?<v>22\s+1\/2|22\.5|45|60|67\.5)(?=[\s,]+(?:'.Words::length().')(?!\s*(?:per|a|\/|%|°)))/u';
        if (
            preg_match($marked, $this->rest, $m) === 1 ||
            (! isset($this->said['length']) && preg_match($bare, $this->rest, $m) === 1)
        ) {
            $value = preg_match('/^22\s/', $m['v']) === 1 ? 22.5 : self::float($m['v']);
            if ($value < 0.01 || $value > 179.99) {
                $this->complain($m[0], 'A turn is between nothing and 180 degrees.');
            }
            $this->take($m[0], 'turn', static fn (): float => $value);
        }
    }

    /** What people say of a leg, and is called out in another way: it is named with the words to say. */
    private function notOfALeg(): bool
    {
        if (preg_match('/^(?:with|and)\s+(?:an?\s+)?clean\s?out(?=\s|$)/u', $this->rest, $m) !== 1) {
            return false;
        }
        $this->complain(
            $m[0],
            'A cleanout is a run of its own. Call it out by itself: cleanout 3 / up 12 / into stack 24 with wye.',
        );

        return $this->take($m[0]);
    }

    /** `with a closet bend 4x3`: the leg before is 4 in, this one 3 in; without sizes they are said of the legs. */
    private function closetBend(): bool
    {
        if (
            preg_match('/^(?:with\s+)?(?:an?\s+)?'.Words::CLOSET_BEND.'(?=[\s,]|$)/u', $this->rest, $m) !== 1
        ) {
            return false;
        }
        [$from, $to] = isset($m['from'], $m['to']) ? [$m['from'], $m['to']] : [$m['a'] ?? '', $m['b'] ?? ''];
        if ($from !== '') {
            foreach ([$from, $to] as $size) {
                if (! in_array($size, $this->sizes, true)) {
                    $this->complain($m[0], 'This pipe comes in '.implode(', ', $this->sizes).' here.');

                    return $this->take($m[0]);
                }
            }
            [$this->sizeBefore, $this->said['size']] = [$from, $to];
        }

        return $this->take(
            $m[0],
            'fitting',
            static fn (): FittingChoice => FittingChoice::of([FittingChoice::CLOSET]),
        );
    }

    private function fitting(): bool
    {
        $bends = Words::bends();
        if (
            preg_match(
                '/^(?<with>(?:with|by)\s+(?:an?\s+)?)?(?<before>street\s+)?'.
                    '(?:(?<two>two\s+(?<twin>45|22|60|90)s)|(?<a>'.
                    $bends.
                    ')(?:\s*\+\s*(?<b>'.
                    $bends.
                    '))?)(?<noun>\s+(?:bends?|ells?|elbows?))?(?<close>\s+street)?(?!\w)/u',
                $this->rest,
                $m,
            ) !== 1
        ) {
            return false;
        }
        // Without a word that says so, a number is a length.
        if ($m['with'].$m['before'].($m['noun'] ?? '') === '') {
            return false;
        }
        $isClose = $m['before'].($m['close'] ?? '') !== '';
        $clean = static fn (string $words): string => (string) preg_replace('/\s+/', ' ', $words);
        [$first, $second] = $m['two'] !== '' ? [$m['twin'], $m['twin']] : [$clean($m['a']), $clean($m['b'] ?? '')];

        // A street bend by itself stands in the fitting before: no pipe is between.
        if ($isClose && $second === '' && ! isset($this->said['close'])) {
            $this->said['close'] = true;
        }

        return $this->take(
            $m[0],
            'fitting',
            static fn () => Words::fitting($first, $second, $isClose),
        );
    }

    private function measured(): bool
    {
        if (
            preg_match(
                '/^(?:(?<stop>stop to stop|to the stops?|to stops?)|(?:centre|center) to (?:centre|center)|c-c)\b/u',
                $this->rest,
                $m,
            ) !== 1
        ) {
            return false;
        }

        return $this->take($m[0], 'measured', static fn (): bool => ($m['stop'] ?? '') !== '');
    }

    private function size(): bool
    {
        if (
            preg_match(
                '/^(?:size|in size)\s+('.Words::FRACTION.'|\d+)(?:\s*(?:"(?!\w)|in\b))?/u',
                $this->rest,
                $m,
            ) !== 1
        ) {
            return false;
        }
        $size = (string) preg_replace('/\s+/', '-', $m[1]);
        if (! in_array($size, $this->sizes, true)) {
            $this->complain($m[0], 'This pipe comes in '.implode(', ', $this->sizes).' here.');
        }

        return $this->take($m[0], 'size', static fn (): string => $size);
    }

    private function close(): bool
    {
        return preg_match('/^(?:close|street)\b/u', $this->rest, $m) === 1 &&
            $this->take($m[0], 'close', static fn (): bool => true);
    }

    private function length(): bool
    {
        return preg_match('/^'.Words::length().'/u', $this->rest, $m) === 1 &&
            $this->take($m[0], 'length', fn (): Length => $this->tape->read($m[0]));
    }

    private function skipWord(): void
    {
        preg_match('/^\S+/u', $this->rest, $m);
        $word = $m[0] ?? $this->rest;
        $this->complain(
            $word,
            'Not understood: “'.mb_strimwidth($word, 0, 30, '…').'”. Say a length, a way, a turn or a fall.',
        );

        $this->take($word);
    }

    /** Moves past what was read; with a key, keeps its meaning, unless that was said before or cannot be. */
    private function take(string $text, string $key = '', ?callable $meaning = null): bool
    {
        if ($meaning !== null) {
            try {
                if (array_key_exists($key, $this->said)) {
                    $this->complain($text, 'Said twice in one leg. Put a / between two legs.');
                }
                $this->said[$key] = $meaning();
            } catch (UnreadableLength $error) {
                $this->complain($text, $error->getMessage());
            }
        }
        $this->at += mb_strlen($text);
        $this->rest = mb_substr($this->rest, mb_strlen($text));

        return true;
    }

    private function complain(string $text, string $message): void
    {
        $blank = mb_strlen($text) - mb_strlen(ltrim($text));
        $this->unread[] = new Unread($this->at + $blank, mb_strlen(trim($text)), $message);
    }

    /** What is read here is read from a file later: the limits are those of the file. */
    private function refuseWhatCannotBeKept(Leg $leg, string $text, int $offset): void
    {
        if ($this->unread !== []) {
            return;
        }
        try {
            LegFile::read(Fields::of(array_diff_key(LegFile::document($leg), ['id' => true])), '', $this->sizes);
        } catch (BadInput $bad) {
            $lead = mb_strlen($text) - mb_strlen(ltrim($text));
            $field = self::FIELDS[$bad->field] ?? 'This';
            $this->unread[] = new Unread(
                $offset + $lead,
                max(1, mb_strlen(trim($text))),
                "{$field} {$bad->getMessage()}.",
            );
        }
    }

    /** @return list<Unread> */
    private function complaints(): array
    {
        return $this->unread;
    }

    private function leg(string $text, int $offset): Leg
    {
        /** @var SaidLeg $said */
        $said = $this->said;
        $problem = match (true) {
            $this->unread !== [] => null,
            trim($text) === '' => 'A leg is missing here.',
            default => self::problem($said),
        };
        if ($problem !== null) {
            $lead = mb_strlen($text) - mb_strlen(ltrim($text));
            $this->unread[] = new Unread($offset + $lead, max(1, mb_strlen(trim($text))), $problem);
        }

        return new Leg(
            '',
            $said['way'] ?? Way::On,
            $said['turn'] ?? null,
            $said['length'] ?? null,
            $said['measured'] ?? false,
            $said['fall'] ?? null,
            $said['drop'] ?? null,
            $said['size'] ?? null,
            $said['fitting'] ?? null,
            $said['close'] ?? false,
            $said['what'] ?? '',
            null,
            $said['takes'] ?? null,
        );
    }

    /**
     * Gives what is missing of a leg, or contradicts itself; null where nothing is wrong.
     *
     * @param SaidLeg $said
     */
    private static function problem(array $said): ?string
    {
        [$way, $length, $takes] = [$said['way'] ?? Way::On, $said['length'] ?? null, $said['takes'] ?? ''];
        [$isUpright, $hasFall] = [$way->isUpright(), isset($said['fall']) || isset($said['drop'])];

        return match (true) {
            $takes === 'rest' && ! $isUpright => 'The rest is taken by a leg that goes down or up.',
            $takes === 'share' && ($isUpright || $hasFall) => 'A leg that shares the fall has none of its own.',
            $length === null && ! isset($said['close']) && $takes !== 'rest' => 'How long is this leg?',
            isset($said['fall'], $said['drop']) => 'Say a fall or a drop, not both.',
            $isUpright && $hasFall => "A leg that goes {$way->value} has no fall of its own.",
            isset($said['drop']) && ($length === null || abs($said['drop']->nanometres) > $length->nanometres) => 'The drop is more than the leg is long.',
            $length !== null && $length->nanometres < 1000 => 'A leg has some length.',
            default => null,
        };
    }

    /** @throws UnreadableLength */
    private function inPerFt(string $text): float
    {
        $inches = (new TapeReader(Units::Inch))->read($text)->toMm() / 25.4;

        return Fall::inPerFt($inches)->mmPerM;
    }

    private static function inverse(string $text): float
    {
        return 1000 / max(0.001, self::float($text));
    }

    private static function float(string $text): float
    {
        return (float) str_replace(',', '.', $text);
    }
}
