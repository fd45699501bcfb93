<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A heavy question that waits for its turn or is being worked on; gone when it is answered.
 *
 * @property int $id
 * @property int $user_id
 * @property ?int $crew_id
 * @property ?string $key made by the asker, to call it off by
 * @property bool $is_begun
 * @property bool $is_called_off
 * @property ?Carbon $created_at
 */
final class Question extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'crew_id', 'key', 'is_begun', 'is_called_off'];

    protected $attributes = ['is_begun' => false, 'is_called_off' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_begun' => 'boolean', 'is_called_off' => 'boolean'];
    }
}
