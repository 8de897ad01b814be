<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Bench;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Unique;

/** A bench of one's own: what it is called, and where its device listens. */
final class OwnBenchRequest extends FormRequest
{
    /** Lower ports belong to other services. */
    private const LOWEST_PORT = 1024;

    protected function prepareForValidation(): void
    {
        is_string($this->input('name')) && $this->merge(['name' => trim($this->input('name'))]);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $place = $this->routeIs('benches.name') ? 'prohibited' : 'required';

        return [
            'name' => $this->routeIs('benches.try') ? ['sometimes', 'string', 'max:60'] : ['required', 'string', 'max:60', $this->ownName()],
            'host' => [$place, 'string', 'max:253', 'regex:/^[A-Za-z0-9]([A-Za-z0-9.:-]*[A-Za-z0-9])?$/', 'not_regex:/\.local$/i'],
            'port' => [$place, 'integer:strict', 'between:'.self::LOWEST_PORT.',65535'],
            'linkName' => ['sometimes', 'nullable', 'string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.unique' => 'You have a bench of this name already, in use or put away. Choose another name.',
            'name.*' => 'Give the bench a name of at most 60 letters, for example that of a tree.',
            'host.not_regex' => 'Names that end in .local are not looked up here. Type the number of the device, as 192.168.1.50.',
            'host.*' => 'Type the address of the device, as 192.168.1.50, or its name in the network.', 'port.*' => 'The port is a whole number from '.self::LOWEST_PORT.' to 65535.',
        ];
    }

    /** Two benches of one name would be taken for each other. */
    private function ownName(): Unique
    {
        $bench = $this->route('bench');

        return Rule::unique('benches', 'name')->where('user_id', $this->user()?->getAuthIdentifier())->ignore($bench instanceof Bench ? $bench->id : null);
    }

    public function name(): string
    {
        return $this->string('name')->trim()->toString();
    }

    public function host(): string
    {
        return $this->string('host')->trim()->toString();
    }

    public function linkName(): ?string
    {
        return $this->filled('linkName') ? $this->string('linkName')->trim()->toString() : null;
    }
}
