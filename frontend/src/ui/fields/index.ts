export { ChoiceField } from "./ChoiceField";
export { NameField } from "./NameField";
export { NumberField } from "./NumberField";
export { PlacesField } from "./PlacesField";
export { SecondsField } from "./SecondsField";
export { SelectField, type Option } from "./SelectField";
export { SwitchField } from "./SwitchField";
export { TextAreaField } from "./TextAreaField";
export { TextField } from "./TextField";
