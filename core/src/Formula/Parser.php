<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Exception\UnknownUnit;
use Welkion\Core\Formula\Node\Call;
use Welkion\Core\Formula\Node\FunctionName;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Negation;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Formula\Node\Number;
use Welkion\Core\Formula\Node\Operation;
use Welkion\Core\Formula\Node\Operator;
use Welkion\Core\Units\Unit;

/**
 * Reads a formula into its tree by precedence climbing: ^ binds tightest and to the right, then a minus sign in
 * front, then * and /, then + and -. Nothing is implied: 2x is an error that says to write 2*x.
 *
 * @internal reached through Formula::parse()
 */
final class Parser
{
    /** Deeper than any formula a person writes; keeps a hostile one from exhausting the stack. */
    private const DEEPEST = 200;

    private int $next = 0;

    private int $depth = 0;

    /** @param  non-empty-list<Token>  $tokens */
    private function __construct(private readonly array $tokens)
    {
    }

    /** @throws FormulaError */
    public static function parse(string $text): Node
    {
        if (trim($text) === '') {
            throw FormulaError::isEmpty();
        }
        $parser = new self(Lexer::tokens($text));
        $node = $parser->expression(1);
        $rest = $parser->token();
        if ($rest->is(')')) {
            throw FormulaError::bracketNeverOpened($rest->position);
        }
        if ($rest->kind !== TokenKind::End) {
            throw FormulaError::signMissing($rest->position, $rest->text);
        }

        return $node;
    }

    private function expression(int $least): Node
    {
        if (++$this->depth > self::DEEPEST) {
            throw FormulaError::at($this->token()->position, 'the formula is nested too deeply. Split it into columns.');
        }
        $left = $this->term();
        while (true) {
            $token = $this->token();
            $operator = $token->kind === TokenKind::Sign ? Operator::tryFrom($token->text) : null;
            if ($operator === null || $operator->precedence() < $least) {
                break;
            }
            $this->next++;
            $right = $this->expression($operator === Operator::Power ? $operator->precedence() : $operator->precedence() + 1);
            $left = new Operation($operator, $left, $right, $token->position);
        }
        $this->depth--;

        return $left;
    }

    private function term(): Node
    {
        $token = $this->token();
        $this->next++;
        if ($token->is('-')) {
            return new Negation($this->expression(Negation::PRECEDENCE), $token->position);
        }
        if ($token->is('+')) {
            return $this->expression(Negation::PRECEDENCE);
        }
        if ($token->is('(')) {
            $node = $this->expression(1);
            $this->close($token->position);

            return $node;
        }

        return match ($token->kind) {
            TokenKind::Number => $this->number($token),
            TokenKind::Name => $this->token()->is('(') ? $this->call($token) : $this->name($token),
            default => throw $this->missing($token),
        };
    }

    private function number(Token $token): Number
    {
        $unit = $this->token();
        if ($unit->kind !== TokenKind::Unit) {
            return new Number((float) $token->text, null, $token->position);
        }
        $this->next++;
        try {
            return new Number((float) $token->text, Unit::parse($unit->text), $token->position);
        } catch (UnknownUnit $error) {
            throw FormulaError::badUnit($unit->position, $error->getMessage());
        }
    }

    private function name(Token $token): Name
    {
        // A column may well be called "min"; whether there is one shows when the names are looked up.
        return new Name($token->text, $token->position);
    }

    private function call(Token $token): Call
    {
        $opened = $this->token()->position;
        $this->next++;
        $arguments = [$this->expression(1)];
        while ($this->token()->is(',')) {
            $this->next++;
            $arguments[] = $this->expression(1);
        }
        $this->close($opened);
        $function = FunctionName::tryFrom($token->text)
            ?? throw FormulaError::unknownFunction($token->text, $token->position,
                Spelling::nearest($token->text, array_column(FunctionName::cases(), 'value')));
        if (count($arguments) !== $function->argumentCount()) {
            throw FormulaError::wrongArguments($function, count($arguments), $token->position);
        }

        return new Call($function, $arguments, $token->position);
    }

    private function close(int $opened): void
    {
        $token = $this->token();
        if ($token->is(')')) {
            $this->next++;

            return;
        }
        throw $token->kind === TokenKind::End
            ? FormulaError::bracketNotClosed($opened)
            : FormulaError::signMissing($token->position, $token->text);
    }

    private function missing(Token $token): FormulaError
    {
        $before = $this->tokens[$this->next - 2] ?? null;
        if ($token->is(')') && $before === null) {
            return FormulaError::bracketNeverOpened($token->position);
        }

        return $before === null
            ? FormulaError::at($token->position, "a formula cannot begin with \"{$token->text}\".")
            : FormulaError::valueMissing($token->position, $before->text);
    }

    private function token(): Token
    {
        return $this->tokens[min($this->next, count($this->tokens) - 1)];
    }
}
