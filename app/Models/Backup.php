<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A backup that was taken, as `bin/backup` noted it.
 *
 * @property int $id
 * @property string $name its folder
 * @property string $kind `whole`, or `log`: what was written since
 * @property int $bytes
 * @property Carbon $taken_at
 * @property ?Carbon $verified_at when it was last restored to see whether it can be
 */
final class Backup extends Model
{
    public const WHOLE = 'whole';

    /** What was written since. */
    public const LOG = 'log';

    public $timestamps = false;

    protected $fillable = ['name', 'kind', 'bytes', 'taken_at', 'verified_at'];

    protected $attributes = ['verified_at' => null];

    /** @return array{kind: string, taken_at: string, bytes: int, verified_at: ?string} */
    public function written(): array
    {
        return [
            'kind' => $this->kind,
            'taken_at' => $this->taken_at->toIso8601String(),
            'bytes' => $this->bytes,
            'verified_at' => $this->verified_at?->toIso8601String(),
        ];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['taken_at' => 'datetime', 'verified_at' => 'datetime', 'bytes' => 'integer'];
    }
}
