<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\RunLayout;

/**
 * Writes a run as glTF 2.0 with its buffer in it: metres, y up, z to the south; a node for every piece, named by its
 * letter, and for every fitting.
 */
final class GltfWriter
{
    private const FLOAT = 5126;

    private const UNSIGNED = 5125;

    /** A fitting stands so far over its pipe, of the radius. */
    private const OVER = 1.14;

    private const STEPS = 10;

    private string $bytes = '';

    /** @var list<array<string, mixed>> */
    private array $views = [];

    /** @var list<array<string, mixed>> */
    private array $accessors = [];

    /** @var list<array<string, mixed>> */
    private array $meshes = [];

    /** @var list<array<string, mixed>> */
    private array $nodes = [];

    /** Takes a laid-out run with at least one piece; gives the text of the file. */
    public static function write(RunLayout $layout): string
    {
        return (new self)->scene($layout);
    }

    private function scene(RunLayout $layout): string
    {
        foreach ($layout->pieces as $piece) {
            $this->tube(
                "piece {$piece->letter}",
                [$piece->from, $piece->to()],
                $layout->system->pipe($piece->size)->outsideMm / 2,
                0,
            );
        }
        foreach ($layout->fittings as $fitting) {
            $points = self::through($fitting);
            if (count($points) > 1) {
                $this->tube(
                    "{$fitting->part->size} {$fitting->part->name}",
                    $points,
                    ($layout->system->pipe($fitting->part->size)->outsideMm / 2) * self::OVER,
                    1,
                );
            }
        }
        $colour = static fn (string $name, array $rgba): array => [
            'name' => $name,
            'pbrMetallicRoughness' => ['baseColorFactor' => $rgba, 'metallicFactor' => 0.0, 'roughnessFactor' => 0.8],
        ];
        $model = [
            'asset' => ['version' => '2.0', 'generator' => 'Fall Bend'],
            'scene' => 0,
            'scenes' => [
                ['name' => $layout->run->name] + ($this->nodes === [] ? [] : ['nodes' => array_keys($this->nodes)]),
            ],
        ];
        if ($this->nodes !== []) {
            $model += [
                'nodes' => $this->nodes,
                'meshes' => $this->meshes,
                'materials' => [$colour('pipe', [0.93, 0.91, 0.86, 1.0]), $colour('fitting', [0.72, 0.68, 0.6, 1.0])],
                'accessors' => $this->accessors,
                'bufferViews' => $this->views,
                'buffers' => [
                    [
                        'byteLength' => strlen($this->bytes),
                        'uri' => 'data:application/octet-stream;base64,'.base64_encode($this->bytes),
                    ],
                ],
            ];
        }

        return json_encode(
            $model,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @return list<Vec3> from stop to stop, round the bend on a parabola that leaves both stops the way the pipes lie
     */
    private static function through(Fitting $fitting): array
    {
        [$a, $c] = [
            $fitting->at->minus($fitting->in->times($fitting->intoMm)),
            $fitting->at->plus($fitting->out->times($fitting->outOfMm)),
        ];
        $points = [];
        for ($i = 0; $i <= self::STEPS; $i++) {
            $t = $i / self::STEPS;
            $point = $a
                ->times((1 - $t) ** 2)
                ->plus($fitting->at->times(2 * $t * (1 - $t)))
                ->plus($c->times($t ** 2));
            if ($points === [] || $point->minus($points[count($points) - 1])->length() > 0.01) {
                $points[] = $point;
            }
        }

        return $points;
    }

    /** @param non-empty-list<Vec3> $points */
    private function tube(string $name, array $points, float $radius, int $material): void
    {
        $mesh = new TubeMesh($points, $radius);
        $metres = static fn (Vec3 $v): array => [$v->x / 1000, $v->z / 1000, -$v->y / 1000];
        $turned = static fn (Vec3 $v): array => [$v->x, $v->z, -$v->y];
        $this->meshes[] = [
            'name' => $name,
            'primitives' => [
                [
                    'attributes' => [
                        'POSITION' => $this->vectors(array_map($metres, $mesh->corners), true),
                        'NORMAL' => $this->vectors(array_map($turned, $mesh->normals), false),
                    ],
                    'indices' => $this->indices($mesh->triangles),
                    'material' => $material,
                ],
            ],
        ];
        $this->nodes[] = ['name' => $name, 'mesh' => count($this->meshes) - 1];
    }

    /** @param list<array{float, float, float}> $vectors */
    private function vectors(array $vectors, bool $isBounded): int
    {
        $bytes = pack('g*', ...array_merge(...$vectors));
        $accessor = [
            'bufferView' => $this->view($bytes, 34962),
            'componentType' => self::FLOAT,
            'count' => count($vectors),
            'type' => 'VEC3',
        ];
        if ($isBounded) {
            // As they stand in the buffer, in single precision.
            $stored = array_map(
                static fn (array $vector): array => array_values((array) unpack('g*', pack('g*', ...$vector))),
                $vectors,
            );
            [$accessor['min'], $accessor['max']] = [$stored[0] ?? [0.0, 0.0, 0.0], $stored[0] ?? [0.0, 0.0, 0.0]];
            foreach ($stored as $vector) {
                foreach ($vector as $k => $value) {
                    $accessor['min'][$k] = min($accessor['min'][$k], $value);
                    $accessor['max'][$k] = max($accessor['max'][$k], $value);
                }
            }
        }
        $this->accessors[] = $accessor;

        return count($this->accessors) - 1;
    }

    /** @param list<int> $indices */
    private function indices(array $indices): int
    {
        $this->accessors[] = [
            'bufferView' => $this->view(pack('V*', ...$indices), 34963),
            'componentType' => self::UNSIGNED,
            'count' => count($indices),
            'type' => 'SCALAR',
        ];

        return count($this->accessors) - 1;
    }

    private function view(string $bytes, int $target): int
    {
        $this->views[] = [
            'buffer' => 0,
            'byteOffset' => strlen($this->bytes),
            'byteLength' => strlen($bytes),
            'target' => $target,
        ];
        $this->bytes .= $bytes;

        return count($this->views) - 1;
    }
}
