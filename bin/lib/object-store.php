<?php

declare(strict_types=1);

// A stand-in for a store of objects that speaks the protocol S3, as far as pictures need it: put, get, head, delete,
// list; with signatures (Signature Version 4) checked. Objects are files in a folder. It takes no other machine's
// place: a real store is named in PICTURES_ENDPOINT. Run by PHP's own server:
//   OBJECTS_FOLDER=… OBJECTS_KEY=… OBJECTS_SECRET=… php -S 127.0.0.1:PORT bin/lib/object-store.php

$folder = (string) getenv('OBJECTS_FOLDER');
[$key, $secret] = [(string) getenv('OBJECTS_KEY'), (string) getenv('OBJECTS_SECRET')];
$body = (string) file_get_contents('php://input');
$headers = array_change_key_case(getallheaders());
$method = $_SERVER['REQUEST_METHOD'];
[$path, $query] = explode('?', $_SERVER['REQUEST_URI'], 2) + [1 => ''];

$refuse = static function (int $status, string $code): never {
    http_response_code($status);
    header('Content-Type: application/xml');
    echo "<?xml version=\"1.0\"?><Error><Code>{$code}</Code></Error>";
    exit();
};

/** The signature that a request must have: the four steps of Signature Version 4. */
$signature = static function (array $signed, string $scope) use ($method, $path, $query, $headers, $secret): string {
    parse_str($query, $asked);
    ksort($asked);
    $canonical = http_build_query($asked, '', '&', PHP_QUERY_RFC3986);
    $lines = array_map(static fn (string $name): string => "{$name}:".trim($headers[$name] ?? ''), $signed);
    $hash = $headers['x-amz-content-sha256'] ?? '';
    $request = implode("\n", [$method, $path, $canonical, ...$lines, '', implode(';', $signed), $hash]);
    $said = implode("\n", ['AWS4-HMAC-SHA256', $headers['x-amz-date'] ?? '', $scope, hash('sha256', $request)]);
    $sealing = "AWS4{$secret}";
    foreach (explode('/', $scope) as $part) {
        $sealing = hash_hmac('sha256', $part, $sealing, true);
    }

    return hash_hmac('sha256', $said, $sealing);
};

$form = '~^AWS4-HMAC-SHA256 Credential=([^/]+)/(\S+?), ?SignedHeaders=(\S+?), ?Signature=([0-9a-f]{64})\z~';
if (preg_match($form, $headers['authorization'] ?? '', $given) !== 1 || $given[1] !== $key) {
    $refuse(403, 'AccessDenied');
}
if (! hash_equals($signature(explode(';', $given[3]), $given[2]), $given[4])) {
    $refuse(403, 'SignatureDoesNotMatch');
}
$sum = $headers['x-amz-content-sha256'] ?? '';
if (preg_match('/^[0-9a-f]{64}\z/', $sum) === 1 && ! hash_equals(hash('sha256', $body), $sum)) {
    $refuse(400, 'XAmzContentSHA256Mismatch');
}
if (str_contains($path, '..')) {
    $refuse(400, 'InvalidArgument');
}
$file = $folder.rawurldecode($path);
if ($method === 'PUT') {
    is_dir(dirname($file)) || mkdir(dirname($file), 0700, true);
    file_put_contents("{$file}.part", $body);
    rename("{$file}.part", $file);
    header('ETag: "'.md5($body).'"');
    exit();
}
if ($method === 'DELETE') {
    @unlink($file);
    http_response_code(204);
    exit();
}
if (is_file($file)) {
    header('Content-Type: application/octet-stream');
    header('Content-Length: '.filesize($file));
    header('Last-Modified: '.gmdate('D, d M Y H:i:s', (int) filemtime($file)).' GMT');
    $method === 'HEAD' || readfile($file);
    exit();
}
parse_str($query, $asked);
if ($method !== 'GET' || ! isset($asked['list-type'])) {
    $refuse(404, 'NoSuchKey');
}
$under = rtrim($file, '/');
$found = [];
$prefix = is_string($asked['prefix'] ?? null) ? $asked['prefix'] : '';
$all = is_dir($under) ? new RecursiveIteratorIterator(new RecursiveDirectoryIterator($under, 4096)) : [];
foreach ($all as $one) {
    $name = substr((string) $one, strlen($under) + 1);
    if (str_starts_with($name, $prefix)) {
        $found[] = "<Contents><Key>{$name}</Key><Size>{$one->getSize()}</Size></Contents>";
    }
}
sort($found);
header('Content-Type: application/xml');
$listed = implode('', $found);
echo "<?xml version=\"1.0\"?><ListBucketResult><IsTruncated>false</IsTruncated>{$listed}</ListBucketResult>";
