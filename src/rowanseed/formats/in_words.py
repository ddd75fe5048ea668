"""What is wrong with a value of a document, in the words of whoever wrote it."""

from __future__ import annotations

from pydantic_core import ErrorDetails


def in_words(found: ErrorDetails, otherwise: str = "") -> str:
    """One sentence for what the validating library found, `otherwise` for what has no words of ours."""
    bounds = found.get("ctx", {})
    match found["type"]:
        case "enum" | "literal_error":
            return f"“{str(found['input'])[:40]}” is none of {bounds.get('expected', 'the values it may have')}."
        case "missing":
            return "It is missing."
        case "extra_forbidden":
            return "There is no such field."
        case "json_invalid":
            return "It is no JSON document."
        case "int_parsing" | "int_from_float" | "int_type" | "int_parsing_size":
            return "A whole number is wanted here: 1, 2, 3."
        case "float_parsing" | "float_type" | "finite_number":
            return "A number is wanted here, like 2 or 1.5."
        case "bool_parsing" | "bool_type":
            return "It is true or false."
        case "string_type":
            return "Words are wanted here, in quotation marks."
        case "list_type" | "tuple_type":
            return "A list is wanted here."
        case "dict_type" | "model_type" | "model_attributes_type" | "dataclass_type":
            return "Fields with their values are wanted here."
        case "greater_than_equal":
            return f"It has to be {bounds['ge']:g} or more."
        case "greater_than":
            return f"It has to be more than {bounds['gt']:g}."
        case "less_than_equal":
            return f"It can be {bounds['le']:g} at most."
        case "less_than":
            return f"It has to be less than {bounds['lt']:g}."
        case "string_too_short" | "too_short":
            return f"It is too short: {bounds['min_length']} or more are wanted."
        case "string_too_long" | "too_long":
            return f"It is too long: {bounds['max_length']} are the most."
        case "value_error":
            return f"{bounds['error']}"
        case _:
            return otherwise or f"{found['msg']}."
