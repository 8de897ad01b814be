<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\TableFileRequest;
use App\Http\Requests\TableTakeRequest;
use App\Http\Resources\ChangeAnswer;
use App\Http\Resources\TablePreview;
use App\Models\Experiment;
use App\Models\TableFile;
use App\Notebook\Sender;
use App\Typing\TableFiles;
use App\Typing\TableTaking;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\UploadedFile;

/** Files and pasted texts: kept as they came, shown as they are understood, and taken into runs. */
final class TableFileController
{
    private const MOST_TOLD = 20;

    public function __construct(private readonly TableFiles $files)
    {
    }

    public function store(TableFileRequest $request, Experiment $experiment, Sender $sender): JsonResponse
    {
        $upload = $request->file('file');
        if ($upload instanceof UploadedFile) {
            $file = $this->files->keep($experiment, $sender->user, $upload->getPathname(), $upload->getClientOriginalName(), $sender->key);
        } else {
            $path = (string) tempnam(sys_get_temp_dir(), 'pasted');
            try {
                file_put_contents($path, $request->string('text')->toString());
                $file = $this->files->keep($experiment, $sender->user, $path, $request->filled('name') ? $request->string('name')->toString() : 'pasted text', $sender->key);
            } finally {
                @unlink($path);
            }
        }

        return new JsonResponse(TablePreview::of($file, $this->files->table($file, $request->hints())), 201);
    }

    /** Those whose numbers were taken, the last one first: each can be looked at again, with other guesses. */
    public function index(Experiment $experiment): JsonResponse
    {
        $files = TableFile::query()->where('experiment_id', $experiment->id)->where('taken_at', '!=', null)->get()->sortByDesc('taken_at')->take(self::MOST_TOLD);

        return new JsonResponse(array_values($files->map(static fn (TableFile $f): array => [
            'id' => $f->id, 'name' => $f->name, 'bytes' => $f->bytes, 'hints' => TableFile::told($f->hints()), 'takenAt' => $f->taken_at?->toIso8601ZuluString('millisecond'),
        ])->all()));
    }

    /** The same file as it is understood with other guesses. */
    public function show(TableFileRequest $request, Experiment $experiment, TableFile $file): JsonResponse
    {
        return new JsonResponse(TablePreview::of($file, $this->files->table($file, $request->hints())));
    }

    public function take(TableTakeRequest $request, Experiment $experiment, TableFile $file, TableTaking $taking, Sender $sender): JsonResponse
    {
        $table = $this->files->table($file, $request->hints());
        $taking->take($experiment, $file, $table, $request->columns($table), $request->run($experiment), $request->boolean('asTrials'), $request->boolean('isBeside'), $sender);

        return ChangeAnswer::to($experiment, $sender, 201);
    }
}
