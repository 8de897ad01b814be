<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ProtocolRequest;
use App\Models\Experiment;
use App\Models\ProtocolFile;
use App\Models\User;
use App\Notebook\ExperimentStart;
use App\Notebook\LibraryProtocol;
use App\Notebook\NotebookRows;
use App\Notebook\ProtocolLibrary;
use App\Notebook\Sender;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\Protocol;

/** The library of protocols: ours and a teacher's own. */
final class ProtocolController
{
    private const FILE = JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR;

    public function __construct(private readonly ProtocolLibrary $library)
    {
    }

    public function index(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(array_map(self::shape(...), $this->library->all($user)));
    }

    /** As a file to keep or to hand on. */
    public function show(LibraryProtocol $protocol): Response
    {
        $data = $protocol->protocol->data;
        $name = (Str::slug($data->text('title')) ?: 'protocol').'.json';

        return new Response(json_encode($data->all, self::FILE)."\n", 200, [
            'Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

    /** A file is read in. */
    public function store(ProtocolRequest $request, #[CurrentUser] User $user, Sender $sender): JsonResponse
    {
        return self::kept($user, $sender, $this->library->read($request->string('file')->toString()));
    }

    /** An experiment is made a protocol: all but its data. */
    public function of(Experiment $experiment, #[CurrentUser] User $user, Sender $sender): JsonResponse
    {
        $json = json_encode(ExperimentStart::protocolOf(NotebookRows::of($experiment)), JSON_THROW_ON_ERROR);

        return self::kept($user, $sender, $this->library->read($json));
    }

    /** Only an own one can go. */
    public function destroy(LibraryProtocol $protocol): Response
    {
        ($protocol->own ?? abort(404))->delete();

        return new Response(status: 204);
    }

    private static function kept(User $user, Sender $sender, Protocol $protocol): JsonResponse
    {
        $own = ProtocolFile::query()->firstOrCreate(
            ['user_id' => $user->id, 'request_key' => $sender->key], ['title' => $protocol->data->text('title'), 'content' => $protocol->data->all],
        );

        return new JsonResponse(self::shape(LibraryProtocol::own($own)), 201);
    }

    /** @return array<string, mixed> */
    private static function shape(LibraryProtocol $protocol): array
    {
        $data = $protocol->protocol->data;

        return [
            'key' => $protocol->key, 'isOwn' => $protocol->own !== null, 'title' => $data->text('title'), 'question' => $data->text('question'), 'finds' => $data->text('finds') ?: 'anything',
            'sentence' => $data->text('sentence'), 'picture' => $data->text('picture') ?: 'page', 'minutes' => (int) ($data->number('minutes') ?? 0.0),
            'level' => $data->text('level'),
            'roles' => array_map(static fn (Fields $r): array => ['kind' => $r->text('kind'), 'name' => $r->text('name'), 'isNeeded' => $r->isTrue('isNeeded')], $data->things('roles')),
        ];
    }
}
