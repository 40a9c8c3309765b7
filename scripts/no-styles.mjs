// What a style sheet is to a unit test.
export default {}
