<template><div>hi</div></template>
