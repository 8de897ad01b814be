<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\TableFile;
use App\Typing\TableFiles;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\TableHints;

/** A file to read numbers from, or a text that was pasted; and how it is to be understood, as far as somebody said. */
final class TableFileRequest extends FormRequest
{
    private const LONGEST_TEXT = 4_000_000;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $hints = [
            'separator' => ['sometimes', 'nullable', Rule::in(array_keys(TableHints::SEPARATORS))],
            'mark' => ['sometimes', 'nullable', Rule::enum(DecimalMark::class)],
            'hasHeader' => ['sometimes', 'nullable', Rule::in([true, false, 'true', 'false', 0, 1, '0', '1'])],
        ];

        return $hints + ($this->isMethod('POST') ? [
            'file' => ['required_without:text', 'file', 'max:'.intdiv(TableFiles::LARGEST_BYTES, 1024)],
            'text' => ['required_without:file', 'string', 'max:'.self::LONGEST_TEXT],
            'name' => ['sometimes', 'nullable', 'string', 'max:200'],
        ] : []);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.max' => 'This file is larger than 50 MB. Save fewer rows or columns of it as CSV, or every second row, and try again.',
            'file.*' => 'Choose a file with a table in it, as CSV or text.', 'text.*' => 'There is no text to read numbers from.',
            'separator.*' => 'Cells are parted by tab, semicolon, bar, comma or blank.', 'mark.*' => 'The decimal mark is a point or a comma.', 'hasHeader.*' => 'Say whether the first line names the columns.',
        ];
    }

    public function hints(): TableHints
    {
        return TableFile::hintsOf(['separator' => $this->input('separator'), 'mark' => $this->input('mark')] + ($this->filled('hasHeader') ? ['hasHeader' => $this->boolean('hasHeader')] : []));
    }
}
