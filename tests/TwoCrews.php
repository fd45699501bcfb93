<?php

declare(strict_types=1);

namespace Tests;

use App\Models\Crew;
use App\Models\User;

/** A member of one crew, and one of another, who is to see nothing of the first. */
trait TwoCrews
{
    private User $lead;

    private User $stranger;

    protected function setUpTwoCrews(): void
    {
        $this->lead = self::member(Crew::query()->create(['name' => 'Day crew']), 'lead');
        $this->stranger = self::member(Crew::query()->create(['name' => 'Night crew']), 'stranger');
    }
}
