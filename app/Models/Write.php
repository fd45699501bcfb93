<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A write that came with a key, and what it came to: a revision of a job, or an answer. Asked again with the same key,
 * the
 * same is answered, and nothing is written twice.
 *
 * @property int $id
 * @property int $user_id
 * @property string $key made by the asker, for this write alone
 * @property string $fingerprint of what was asked
 * @property ?string $job_id
 * @property ?int $revision
 * @property ?string $answer JSON
 * @property ?Carbon $created_at
 */
final class Write extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'key', 'fingerprint', 'job_id', 'revision', 'answer'];

    protected $attributes = ['job_id' => null, 'revision' => null, 'answer' => null];
}
