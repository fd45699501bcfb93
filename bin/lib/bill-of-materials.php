<?php

declare(strict_types=1);

// What a release is made of, as CycloneDX 1.5 in JSON: PHP packages as Composer installed them, JavaScript packages
// that are built into the front end as package-lock.json names them. Run in the folder of the release.

/** @param list<string> $licenses */
$component = static function (string $type, string $name, string $version, array $licenses): array {
    $parted = explode('/', $name);
    $own = array_pop($parted);
    // In the address of a package (purl) the @ of a scope is written out.
    $scope = str_replace('@', '%40', implode('/', $parted));
    $purl = "pkg:{$type}/".($scope === '' ? '' : "{$scope}/")."{$own}@{$version}";
    $written = static fn (string $license): array => str_contains($license, ' ')
        ? ['expression' => $license]
        : ['license' => preg_match('/^[A-Za-z0-9.+-]+\z/', $license) === 1 ? ['id' => $license] : ['name' => $license]];

    return ['type' => 'library', 'bom-ref' => $purl, 'name' => $name, 'version' => $version, 'purl' => $purl] +
        ($licenses === [] ? [] : ['licenses' => array_map($written, $licenses)]);
};

/** @return array<array-key, mixed> */
$read = static function (string $path): array {
    $text = (string) file_get_contents($path);

    return (array) json_decode($text, true, 64, JSON_THROW_ON_ERROR);
};

$components = [];
foreach ($read('vendor/composer/installed.json')['packages'] as $package) {
    $version = ltrim($package['version'], 'v');
    $components[] = $component('composer', $package['name'], $version, $package['license'] ?? []);
}
foreach ($read('package-lock.json')['packages'] as $path => $package) {
    if ($path !== '' && ($package['dev'] ?? false) !== true) {
        $name = preg_replace('~^.*node_modules/~', '', $path);
        $license = $package['license'] ?? null;
        $components[] = $component('npm', $name, $package['version'], is_string($license) ? [$license] : []);
    }
}
usort($components, static fn (array $one, array $other): int => $one['purl'] <=> $other['purl']);
$version = trim((string) file_get_contents('VERSION'));
echo json_encode(
    [
        '$schema' => 'http://cyclonedx.org/schema/bom-1.5.schema.json',
        'bomFormat' => 'CycloneDX',
        'specVersion' => '1.5',
        'version' => 1,
        'metadata' => [
            'component' => [
                'type' => 'application',
                'bom-ref' => "fall-bend@{$version}",
                'name' => 'fall-bend',
                'version' => $version,
                'licenses' => [['license' => ['id' => 'MIT']]],
            ],
        ],
        'components' => $components,
    ],
    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
), "\n";
