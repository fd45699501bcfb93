<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * Which letter stands on which piece and which number on which joint. They live on the pipe, so they are allotted once, never shifted, never used again:
 * the ledger only grows.
 */
final readonly class Marks
{
    /**
     * @param array<string, string> $pieces letter by piece key
     * @param array<string, int> $joints number by joint key
     */
    public function __construct(public array $pieces = [], public array $joints = [], public int $nextPiece = 0, public int $nextJoint = 1) {}

    /** Gives the letter with an index from 0: A … Z, AA, AB … */
    public static function letter(int $index): string
    {
        $letter = '';
        for ($i = $index + 1; $i > 0; $i = intdiv($i - 1, 26)) {
            $letter = chr(65 + ($i - 1) % 26).$letter;
        }

        return $letter;
    }

    /** Gives the index from 0 of a letter made of A to Z; −1 for anything else. */
    public static function index(string $letter): int
    {
        if (preg_match('/^[A-Z]{1,4}\z/', $letter) !== 1) {
            return -1;
        }
        $index = 0;
        foreach (str_split($letter) as $char) {
            $index = $index * 26 + ord($char) - 64;
        }

        return $index - 1;
    }

    /**
     * Gives the ledger with a mark for each of these keys: what is marked keeps its mark, what is new takes the next free one in the order given.
     *
     * @param list<string> $pieces
     * @param list<string> $joints
     */
    public function allot(array $pieces, array $joints): self
    {
        [$letters, $numbers, $nextPiece, $nextJoint] = [$this->pieces, $this->joints, $this->nextPiece, $this->nextJoint];
        foreach ($pieces as $key) {
            $letters[$key] ??= self::letter($nextPiece++);
        }
        foreach ($joints as $key) {
            $numbers[$key] ??= $nextJoint++;
        }

        return new self($letters, $numbers, $nextPiece, $nextJoint);
    }

    /** Gives a ledger that has used up what either has used up; where both know a key, this one's mark stands. */
    public function joined(self $other): self
    {
        return new self($this->pieces + $other->pieces, $this->joints + $other->joints, max($this->nextPiece, $other->nextPiece), max($this->nextJoint, $other->nextJoint));
    }
}
