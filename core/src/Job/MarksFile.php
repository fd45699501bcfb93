<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads and writes the ledger of marks of a run in a job file. */
final class MarksFile
{
    /** What places are called: made of the ids of legs and runs and of what stands there. */
    private const KEY = '/^[a-z0-9.-]{1,'.Marks::LONGEST_KEY.'}\z/';

    /** @throws BadInput at the mark that is wrong, or that two places have */
    public static function read(?Fields $fields): Marks
    {
        if ($fields === null) {
            return new Marks;
        }
        $pieces = self::pieces($fields);
        $joints = self::joints($fields);
        $leastPiece = $pieces === [] ? 0 : 1 + max(array_map(Marks::index(...), $pieces));
        $leastJoint = $joints === [] ? 1 : 1 + max($joints);
        $marks = new Marks(
            $pieces,
            $joints,
            $fields->has('next_piece') ? $fields->int('next_piece', $leastPiece, Marks::PIECES_END) : $leastPiece,
            $fields->has('next_joint') ? $fields->int('next_joint', $leastJoint, Marks::JOINTS_END) : $leastJoint,
            $fields->has('figure') ? $fields->int('figure', 0, Marks::FIGURES_END - 1) : 0,
        );
        $fields->end();

        return $marks;
    }

    /** @return array<string, mixed> as a job file holds it */
    public static function document(Marks $marks): array
    {
        return [
            'pieces' => (object) $marks->pieces,
            'joints' => (object) $marks->joints,
            'next_piece' => $marks->nextPiece,
            'next_joint' => $marks->nextJoint,
            ...$marks->figure === 0 ? [] : ['figure' => $marks->figure],
        ];
    }

    /** @return array<string, string> letter by key of the piece */
    private static function pieces(Fields $fields): array
    {
        [$pieces, $taken] = [[], []];
        $letters = $fields->childOrNull('pieces');
        foreach (self::keys($letters) as $key) {
            $letter = $letters?->string($key, 4) ?? '';
            $index = Marks::index($letter);
            if ($index < 0 || $index >= Marks::PIECES_END || isset($taken[$letter])) {
                throw BadInput::at($fields->at("pieces.{$key}"), 'must be a letter that no other piece has', $letter);
            }
            $taken[$letter] = true;
            $pieces[$key] = $letter;
        }

        return $pieces;
    }

    /** @return array<string, int> number by key of the joint */
    private static function joints(Fields $fields): array
    {
        [$joints, $taken] = [[], []];
        $numbers = $fields->childOrNull('joints');
        foreach (self::keys($numbers) as $key) {
            $number = $numbers?->int($key, 1, Marks::JOINTS_END - 1) ?? 0;
            if (isset($taken[$number])) {
                throw BadInput::at($fields->at("joints.{$key}"), 'must be a number that no other joint has', $number);
            }
            $taken[$number] = true;
            $joints[$key] = $number;
        }

        return $joints;
    }

    /**
     * @return list<string>
     *
     * @throws BadInput if there are too many, or one is no name of a place
     */
    private static function keys(?Fields $marks): array
    {
        $keys = $marks?->keys(Marks::MOST) ?? [];
        foreach ($keys as $key) {
            if (preg_match(self::KEY, $key) !== 1) {
                throw BadInput::at(
                    $marks->path ?? '',
                    'has a mark of no place: small letters, digits, hyphens, points',
                    $key,
                );
            }
        }

        return $keys;
    }
}
