<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\JointNames;
use FallBend\Core\Layout\RunLayout;

/**
 * The pipes of a job as GeoJSON (RFC 7946): a line for each run, a point for each joint. Without an origin positions
 * are metres east, north and up of the outlet of the first run that meets it, which the file says; with one they are
 * degrees, by the flat ground around it (good to a centimetre over a kilometre).
 */
final class GeoJson
{
    /** Mean radius of the earth, IUGG, in m. */
    private const EARTH_M = 6_371_008.8;

    /**
     * @param array{float, float}|null $origin longitude and latitude where the coordinates of the job are 0, in
     *     degrees
     */
    public static function write(JobLayout $layout, ?array $origin): string
    {
        $features = [];
        foreach ($layout->runs as $id => $run) {
            $offset = $layout->offsets[$id];
            if ($run->legs !== []) {
                $features[] = self::line($run, $offset, $origin);
            }
            $names = new JointNames($run);
            foreach ($run->joints as $joint) {
                $features[] = self::feature(
                    'Point',
                    self::position($offset->plus($joint->at), $origin),
                    [
                        'run' => $run->run->name,
                        'joint' => $joint->mark,
                        'name' => $names->nameOf($joint),
                        'size' => $joint->size,
                    ],
                );
            }
        }

        return json_encode(
            [
                'type' => 'FeatureCollection',
                'coordinates_are' => $origin === null ? 'local metres: east, north, up' : 'longitude, latitude, metres',
                'features' => $features,
            ],
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        )."\n";
    }

    /**
     * @param array{float, float}|null $origin
     * @return array<string, mixed>
     */
    private static function line(RunLayout $run, Vec3 $offset, ?array $origin): array
    {
        $points = [self::position($offset->plus($run->legs[0]->from), $origin)];
        foreach ($run->legs as $leg) {
            $points[] = self::position($offset->plus($leg->to()), $origin);
        }

        return self::feature('LineString', $points, [
            'run' => $run->run->name,
            'pipe' => $run->system->name,
            'size' => $run->run->size,
            'use' => $run->run->use->value,
        ]);
    }

    /**
     * @param list<float>|list<list<float>> $coordinates
     * @param array<string, string|int> $properties
     * @return array<string, mixed>
     */
    private static function feature(string $type, array $coordinates, array $properties): array
    {
        return [
            'type' => 'Feature',
            'geometry' => ['type' => $type, 'coordinates' => $coordinates],
            'properties' => $properties,
        ];
    }

    /**
     * @param array{float, float}|null $origin
     * @return list<float>
     */
    private static function position(Vec3 $at, ?array $origin): array
    {
        [$east, $north, $up] = [$at->x / 1_000, $at->y / 1_000, round($at->z / 1_000, 4)];
        if ($origin === null) {
            return [round($east, 4), round($north, 4), $up];
        }
        $around = self::EARTH_M * cos(deg2rad($origin[1]));

        return [
            round($origin[0] + rad2deg($east / $around), 8),
            round($origin[1] + rad2deg($north / self::EARTH_M), 8),
            $up,
        ];
    }
}
