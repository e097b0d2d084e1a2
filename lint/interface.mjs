// What the interface may not be made of: colours beside the theme, and raw controls beside the components.
export const INTERFACE = [
  {
    selector: 'Literal[value=/(^|[^&\\w])#[0-9a-fA-F]{3,8}\\b|\\b(rgba?|hsla?)\\(/]',
    message: 'colours stand in theme.ts; name one by its custom property',
  },
  {
    selector: 'TemplateElement[value.raw=/(^|[^&\\w])#[0-9a-fA-F]{3,8}\\b|\\b(rgba?|hsla?)\\(/]',
    message: 'colours stand in theme.ts; name one by its custom property',
  },
  {
    selector: 'JSXOpeningElement[name.name=/^(button|select|textarea|table|details|dialog|progress)$/]',
    message: 'controls are components of the theme, or the shared pieces on top of them',
  },
  {
    selector: "JSXOpeningElement[name.name='input']:not(:has(JSXAttribute[name.name='type'] > Literal[value='file']))",
    message: 'fields are components of the theme; only the choice of a file is raw',
  },
  {
    selector: "ImportDeclaration[source.value='next/link']",
    message: 'links to pages of the app are PageLink: it asks for a page when it is pointed to',
  },
];
