<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\Pivot;
use LogicException;

/** What somebody is in a crew. Each role may do what the ones below it may. */
enum Role: string
{
    case Owner = 'owner';
    case Lead = 'lead';
    case Plumber = 'plumber';
    case Apprentice = 'apprentice';
    case Reader = 'reader';

    /** That of a user or of a crew which was read through the other. */
    public static function ofMembership(Model $read): self
    {
        $pivot = $read->getRelation('pivot');
        $role = $pivot instanceof Pivot ? $pivot->getAttribute('role') : null;

        return is_string($role) ? self::from($role) : throw new LogicException('It was read without a membership.');
    }

    public function may(Ability $what): bool
    {
        return $this->rank() >= $what->least()->rank();
    }

    /** Whether it may do all that another role may. */
    public function covers(self $other): bool
    {
        return $this->rank() >= $other->rank();
    }

    private function rank(): int
    {
        return match ($this) {
            self::Owner => 4,
            self::Lead => 3,
            self::Plumber => 2,
            self::Apprentice => 1,
            self::Reader => 0,
        };
    }
}
